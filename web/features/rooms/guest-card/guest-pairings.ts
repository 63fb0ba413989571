import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  untracked,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { contract, type PairingReason } from '@core/api';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { Manager } from '../../../shared/data/manager';
import { known, sayUnread } from '../../../shared/data/reading';

/** Why a guest should drive, or not drive, with an instructor, by the instructor's id. */
type Reasons = Readonly<Record<string, string>>;

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
            @if (open()) {
              <input
                pInputText
                pSize="small"
                maxlength="500"
                placeholder="why, for you alone"
                [attr.aria-label]="'Why ' + pair.words.toLowerCase() + ' ' + pair.name"
                [ngModel]="written()[pair.id] ?? kept()?.[pair.id] ?? ''"
                (ngModelChange)="write(pair.id, $event)"
              />
            }
          </p>
        }
        @if (open()) {
          <p-button label="Keep these reasons" size="small" [text]="true" [disabled]="!canKeep()" (onClick)="keep()" />
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
  private readonly manager = inject(Manager);
  readonly guest = input.required<string>();
  /** Nothing until the server has told; keeping before that would drop what is there. */
  protected readonly kept = computed(() => {
    const read = known(this.read);
    return read && byInstructor(read.reasons);
  });
  /** What has been typed and not been kept; an answer that comes late leaves it alone. */
  protected readonly written = linkedSignal<unknown, Reasons>({
    source: () => [this.params(), this.open()],
    computation: () => ({}),
  });
  protected readonly canKeep = computed(() => !!this.kept() && Object.keys(this.written()).length > 0);
  protected readonly open = computed(() => this.manager.access()?.open ?? false);
  private readonly params = computed(() => ({ date: this.data.date()!, id: this.guest() }));
  protected readonly pairs = computed(() => {
    const guest = this.data.state()?.guests.get(this.guest())?.guest;
    const names = new Map((this.data.day()?.instructors ?? []).map(({ id, name }) => [id, name]));
    const of = (ids: readonly string[] | undefined, words: string) =>
      (ids ?? []).map((id) => ({ id, words, name: names.get(id) ?? id }));
    return [...of(guest?.preferInstructors, 'Prefers'), ...of(guest?.avoidInstructors, 'Avoids')];
  });

  private readonly read = rxResource({
    params: () => (this.open() ? this.params() : undefined),
    stream: ({ params }) => this.api.call(contract.readPairings, { params }),
  });

  constructor() {
    effect(() => {
      if (this.pairs().length > 0 && !untracked(this.manager.access)) this.manager.refresh();
    });
    sayUnread(this.read);
  }

  protected write(instructor: string, reason: string): void {
    this.written.update((known) => ({ ...known, [instructor]: reason }));
  }

  protected keep(): void {
    const sent = this.written();
    const reasons = Object.entries({ ...this.kept(), ...sent })
      .map(([instructor, reason]) => ({ instructor, reason: reason.trim() }))
      .filter(({ reason }) => reason !== '');
    this.api.call(contract.changePairings, { params: this.params(), body: { reasons } }).subscribe({
      next: (kept) => {
        this.read.set(kept);
        // What was typed on while it was being kept stays to be kept.
        this.written.update((now) => Object.fromEntries(Object.entries(now).filter(([id, text]) => text !== sent[id])));
        this.data.say('The reasons are kept, for the manager alone.');
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}

function byInstructor(reasons: readonly PairingReason[]): Reasons {
  return Object.fromEntries(reasons.map(({ instructor, reason }) => [instructor, reason]));
}
