import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract, type PairingReason } from '@core/api';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Api } from '../data/api';
import { DayService } from '../data/day.service';
import { ManagerService } from '../data/manager.service';

/** With whom a guest should drive and with whom not; why is for the manager alone. */
@Component({
  selector: 'jl-guest-pairings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText],
  template: `
    @if (pairs().length > 0) {
      <section aria-label="Instructors preferred and avoided">
        <h2>Instructors</h2>
        @for (pair of pairs(); track pair.id) {
          <p>
            {{ pair.words }} <b>{{ pair.name }}</b>
            @if (manager.door()?.open) {
              <input
                pInputText
                pSize="small"
                maxlength="500"
                placeholder="why, for you alone"
                [attr.aria-label]="'Why ' + pair.words.toLowerCase() + ' ' + pair.name"
                [ngModel]="reasons()[pair.id] ?? ''"
                (ngModelChange)="write(pair.id, $event)"
              />
            }
          </p>
        }
        @if (manager.door()?.open) {
          <p-button label="Keep these reasons" size="small" [text]="true" [disabled]="!changed()" (onClick)="keep()" />
        } @else {
          <p class="muted">Why is for the manager alone; the lock is in the room of the crew.</p>
        }
      </section>
    }
  `,
  styles: `
    p {
      margin: 0.2rem 0;
    }
    input {
      width: 100%;
    }
  `,
})
export class GuestPairings {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly manager = inject(ManagerService);
  readonly guest = input.required<string>();
  protected readonly reasons = signal<Readonly<Record<string, string>>>({});
  protected readonly changed = signal(false);
  private readonly params = computed(() => ({ date: this.data.date()!, id: this.guest() }));
  protected readonly pairs = computed(() => {
    const guest = this.data.state()?.guests.get(this.guest())?.guest;
    const names = new Map((this.data.day()?.instructors ?? []).map(({ id, name }) => [id, name]));
    const of = (ids: readonly string[] | undefined, words: string) =>
      (ids ?? []).map((id) => ({ id, words, name: names.get(id) ?? id }));
    return [...of(guest?.preferInstructors, 'Prefers'), ...of(guest?.avoidInstructors, 'Avoids')];
  });

  constructor() {
    effect(() => {
      if (this.pairs().length > 0 && !untracked(this.manager.door)) this.manager.refresh();
    });
    effect(() => {
      if (!this.manager.door()?.open) return this.reasons.set({});
      this.api.call(contract.readPairings, { params: this.params() }).subscribe({
        next: ({ reasons }) => this.take(reasons),
        error: (error: Error) => this.data.refuse(error.message),
      });
    });
  }

  protected write(instructor: string, reason: string): void {
    this.reasons.update((known) => ({ ...known, [instructor]: reason }));
    this.changed.set(true);
  }

  protected keep(): void {
    const reasons = Object.entries(this.reasons())
      .map(([instructor, reason]) => ({ instructor, reason: reason.trim() }))
      .filter(({ reason }) => reason !== '');
    this.api.call(contract.changePairings, { params: this.params(), body: { reasons } }).subscribe({
      next: (kept) => {
        this.take(kept.reasons);
        this.data.say('The reasons are kept, for the manager alone.');
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  private take(reasons: readonly PairingReason[]): void {
    this.reasons.set(Object.fromEntries(reasons.map(({ instructor, reason }) => [instructor, reason])));
    this.changed.set(false);
  }
}
