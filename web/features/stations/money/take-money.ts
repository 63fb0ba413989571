import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { currencyDecimals, money } from '@core/values';
import { effectiveEntries, moneyMeans, type MoneyMeans } from '@core/journal';
import { MONEY_MEANS_WORDS } from '@words';
import { Button } from 'primeng/button';
import { NumberField } from '../../../shared/forms/number-field';
import { Popover } from 'primeng/popover';
import { DayService } from '../../../shared/data/day.service';
import { balanceDue, dueWords } from './money';

/** What a guest owes; a tap opens the ways in which it comes in, a second one takes it: all, or the part that is typed. */
@Component({
  selector: 'jl-take-money',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, NumberField, Popover],
  template: `
    @if (due() > 0 || taken().length > 0) {
      <button
        type="button"
        class="due"
        tabindex="-1"
        [class.warn]="due() > 0"
        [attr.aria-label]="words() + ': ' + name() + ', take money'"
        (click)="begin(); panel.toggle($event)"
      >
        {{ words() }}
      </button>
    } @else {
      <span class="muted">{{ words() }}</span>
    }
    <p-popover #panel>
      @if (due() > 0) {
        <div class="ways">
          @for (way of ways; track way.means) {
            <p-button
              [label]="way.label"
              [ariaLabel]="way.label + ' ' + asMoney(amount())"
              (onClick)="take(way.means); panel.hide()"
            />
          }
        </div>
        <label class="part"
          >Amount
          <jl-number
            [ngModel]="amount()"
            (ngModelChange)="part.set($event ?? undefined)"
            [min]="0"
            [max]="due()"
            [unit]="data.currency()"
            [decimals]="decimals()"
            width="6.5rem"
          />
          <span class="muted">of {{ asMoney(due()) }}</span></label
        >
      }
      @for (entry of taken(); track entry.id) {
        <p>
          {{ asMoney(entry.amount) }} {{ meansWords[entry.means] }}
          <p-button label="Take back" size="small" [text]="true" (onClick)="data.undo(entry.id)" />
        </p>
      }
    </p-popover>
  `,
  styles: `
    .due {
      padding: 0.2rem 0.5rem;
      border: 1px solid currentColor;
      border-radius: 5px;
      background: none;
      color: inherit;
      font-weight: 640;
      cursor: pointer;
      white-space: nowrap;
    }
    .due.warn {
      color: var(--p-jl-amber);
    }
    .ways {
      display: flex;
      gap: 0.5rem;
    }
    .part {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      margin-top: 0.6rem;
    }
    p {
      margin: 0.5rem 0 0;
    }
  `,
})
export class TakeMoney {
  protected readonly data = inject(DayService);
  /** Whose money. */
  readonly guest = input.required<string>();
  protected readonly meansWords = MONEY_MEANS_WORDS;
  protected readonly ways = moneyMeans.options.map((means) => ({
    means,
    label: MONEY_MEANS_WORDS[means].replace(/^./, (first) => first.toUpperCase()),
  }));
  private readonly fields = computed(() => this.data.bookings().get(this.guest())?.fields);
  protected readonly name = computed(() => this.fields()?.name ?? '');
  private readonly today = computed(() => this.data.state()?.guests.get(this.guest()));
  private readonly received = computed(() => this.today()?.received ?? 0);
  protected readonly due = computed(() => balanceDue(this.fields(), this.today()));
  protected readonly decimals = computed(() => currencyDecimals(this.data.currency()));
  protected readonly words = computed(() => dueWords(this.fields(), this.today(), this.data.currency()));
  /** What was taken on this day and stands; the journal is looked through only where something was. */
  protected readonly taken = computed(() =>
    this.received() === 0
      ? []
      : effectiveEntries(this.data.entries()).flatMap((entry) =>
          entry.kind === 'moneyReceived' && entry.guest === this.guest() ? [entry] : [],
        ),
  );
  /** What is typed; all that is due where nothing is. */
  protected readonly part = signal<number | undefined>(undefined);
  protected readonly amount = computed(() => this.part() ?? this.due());

  protected begin(): void {
    this.part.set(undefined);
  }

  protected take(means: MoneyMeans): void {
    this.data.record({ kind: 'moneyReceived', guest: this.guest(), amount: this.amount(), means });
  }

  protected asMoney(amount: number): string {
    return money(amount, this.data.currency());
  }
}
