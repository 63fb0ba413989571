import { ChangeDetectionStrategy, Component, computed, inject, model, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { BreakOffReason } from '@core/journal';
import { BREAK_OFF_WORDS } from '@words';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DayService } from '../../../shared/data/day.service';
import { CircuitView } from '../../../shared/drawing/circuit-view';
import { placeWords, type RunningDrive } from './pit-exit-model';
import { Traffic } from './traffic';

const REASONS = Object.keys(BREAK_OFF_WORDS) as BreakOffReason[];
/** After these the car is looked at before anybody sits in it again. */
const CAR_IS_HELD: ReadonlySet<BreakOffReason> = new Set(['fault', 'spin', 'contact']);

/** What becomes of the car: it rolls in by itself, or stands on the circuit until somebody brings it in. */
const WHEREABOUTS = [
  { key: 'rolling', words: 'Rolls in' },
  { key: 'safe', words: 'Stands safely' },
  { key: 'inTheWay', words: 'Stands in the way' },
] as const;
type Whereabouts = (typeof WHEREABOUTS)[number]['key'];

/** Ends a drive early, with the reason and where the car is then; the laps left are owed to the guest. */
@Component({
  selector: 'jl-break-off',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, CircuitView, Dialog, FormsModule, InputText],
  templateUrl: './break-off.html',
  styles: `
    .choice {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 0.4rem;
      margin: 0.7rem 0;
    }
    .choice button {
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
    jl-circuit-view {
      height: 13rem;
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
  protected readonly traffic = inject(Traffic);
  readonly drive = model<RunningDrive | undefined>();
  /** A car was left standing on the circuit. */
  readonly leftStanding = output<RunningDrive>();
  protected readonly reasons = REASONS;
  protected readonly words = BREAK_OFF_WORDS;
  protected readonly whereabouts = WHEREABOUTS;
  protected readonly why = signal<BreakOffReason | undefined>(undefined);
  protected readonly car = signal<Whereabouts>('rolling');
  protected readonly place = signal<number | undefined>(undefined);
  protected readonly note = signal('');
  protected readonly outOfService = signal(false);
  protected readonly where = computed(() =>
    placeWords(this.traffic.shape(), this.data.day()?.circuit.lapLengthM ?? 0, this.place()),
  );
  protected readonly owed = computed(() => {
    const drive = this.drive();
    const left = drive ? Math.max(0, drive.due - drive.done) : 0;
    return left === 0 ? 'All laps are driven.' : `${left} ${left === 1 ? 'lap is' : 'laps are'} kept for the guest.`;
  });

  protected choose(reason: BreakOffReason): void {
    this.why.set(reason);
    this.outOfService.set(CAR_IS_HELD.has(reason));
  }

  /** The place is where the car is believed to be, until somebody knows better. */
  protected stands(car: Whereabouts): void {
    this.car.set(car);
    const drive = this.drive();
    if (car !== 'rolling' && drive) this.place.set(this.place() ?? this.traffic.placeOf(drive.id, this.data.nowS()));
  }

  protected enter(): void {
    const [drive, reason, note] = [this.drive(), this.why(), this.note().trim()];
    const [car, place] = [this.car(), this.place()];
    if (!drive || !reason) return;
    const stands = car !== 'rolling' && { stands: { safe: car === 'safe', ...(place !== undefined && { place }) } };
    if (!this.data.record({ kind: 'brokenOff', drive: drive.id, reason, ...(note && { note }), ...stands })) return;
    if (this.outOfService())
      this.data.record({ kind: 'carHeld', car: drive.carId, reason: note || BREAK_OFF_WORDS[reason] });
    this.drive.set(undefined);
    this.why.set(undefined);
    this.car.set('rolling');
    this.place.set(undefined);
    this.note.set('');
    this.outOfService.set(false);
    if (car !== 'rolling') this.leftStanding.emit(drive);
  }
}
