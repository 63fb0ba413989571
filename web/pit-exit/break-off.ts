import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { BreakOffReason } from '@core/journal';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DayService } from '../data/day.service';
import { BREAK_OFF_WORDS } from '../data/names';
import type { RunningDrive } from './pit-exit-model';

const REASONS = Object.keys(BREAK_OFF_WORDS) as BreakOffReason[];
/** After these the car is looked at before anybody sits in it again. */
const CAR_IS_HELD: ReadonlySet<BreakOffReason> = new Set(['fault', 'spin', 'contact']);

/** Ends a drive early, with the reason; the laps left are owed to the guest. */
@Component({
  selector: 'jl-break-off',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Dialog, FormsModule, InputText],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      [header]="'Break off: ' + (drive()?.guest ?? '')"
      [visible]="drive() !== undefined"
      (visibleChange)="drive.set(undefined)"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '30rem', maxWidth: '96vw' }"
    >
      <p>{{ owed() }}</p>
      <div class="reasons" role="group" aria-label="Why">
        @for (reason of reasons; track reason) {
          <button type="button" [attr.aria-pressed]="why() === reason" (click)="choose(reason)">
            {{ words[reason] }}
          </button>
        }
      </div>
      <label for="break-note">Note</label>
      <input pInputText id="break-note" maxlength="500" [ngModel]="note()" (ngModelChange)="note.set($event)" />
      <div class="held">
        <p-checkbox inputId="break-hold" [binary]="true" [ngModel]="hold()" (ngModelChange)="hold.set($event)" />
        <label for="break-hold">Hold the car until the garage has looked at it</label>
      </div>
      <p-button label="Break off" severity="danger" size="large" [disabled]="!why()" (onClick)="enter()" />
    </p-dialog>
  `,
  styles: `
    .reasons {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 0.4rem;
      margin: 0.7rem 0;
    }
    button {
      min-height: 52px;
      border: 1.5px solid var(--p-jl-ink);
      border-radius: 7px;
      background: none;
      color: inherit;
      cursor: pointer;
    }
    button[aria-pressed='true'] {
      background: var(--p-jl-ink);
      color: var(--p-jl-paper);
    }
    input {
      width: 100%;
    }
    .held {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-height: 48px;
    }
  `,
})
export class BreakOff {
  private readonly data = inject(DayService);
  readonly drive = model<RunningDrive | undefined>();
  protected readonly reasons = REASONS;
  protected readonly words = BREAK_OFF_WORDS;
  protected readonly why = signal<BreakOffReason | undefined>(undefined);
  protected readonly note = signal('');
  protected readonly hold = signal(false);
  protected readonly owed = computed(() => {
    const drive = this.drive();
    const left = drive ? Math.max(0, drive.due - drive.done) : 0;
    return left === 0 ? 'All laps are driven.' : `${left} ${left === 1 ? 'lap is' : 'laps are'} kept for the guest.`;
  });

  protected choose(reason: BreakOffReason): void {
    this.why.set(reason);
    this.hold.set(CAR_IS_HELD.has(reason));
  }

  protected enter(): void {
    const [drive, reason, note] = [this.drive(), this.why(), this.note().trim()];
    if (!drive || !reason) return;
    if (!this.data.record({ kind: 'brokenOff', drive: drive.id, reason, ...(note && { note }) })) return;
    if (this.hold()) this.data.record({ kind: 'carHeld', car: drive.carId, reason: note || BREAK_OFF_WORDS[reason] });
    this.drive.set(undefined);
    this.why.set(undefined);
    this.note.set('');
  }
}
