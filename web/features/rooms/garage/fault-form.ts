import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { carPlace, type CarPlace, type FaultSeverity } from '@core/journal';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DayService } from '../../../shared/data/day.service';
import { Photos } from '../../../shared/data/photos';
import { newId } from '../../../shared/data/new-id';
import { PlanService } from '../../../shared/data/plan.service';

const USUAL: Record<CarPlace, readonly string[]> = {
  front: ['scratch', 'splitter loose', 'light out'],
  rear: ['scratch', 'light out', 'diffuser loose'],
  'left side': ['scratch', 'dent', 'mirror loose'],
  'right side': ['scratch', 'dent', 'mirror loose'],
  'roof and glass': ['stone chip', 'crack', 'wiper'],
  'wheels and tyres': ['flat spot', 'worn', 'puncture', 'kerb damage', 'vibration'],
  brakes: ['pedal long', 'pulls to a side', 'noise', 'smell'],
  'engine and gearbox': ['warning light', 'shifts roughly', 'leak', 'too warm'],
  cockpit: ['belt', 'seat', 'paddle', 'smell'],
  'camera and radio': ['no picture', 'battery', 'no sound'],
};

const SEVERITIES: readonly { value: FaultSeverity; label: string; hint: string }[] = [
  { value: 'note', label: 'Only to be known', hint: 'the car runs on' },
  { value: 'watch', label: 'Keep an eye on it', hint: 'the car runs on with a note' },
  { value: 'hold', label: 'The car stands', hint: 'out of service, and a repair of the plan is looked for' },
];

/** A fault or damage in three taps: where, what, how bad. A picture can be added before the last one. */
@Component({
  selector: 'jl-fault-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, FormsModule, InputText],
  templateUrl: './fault-form.html',
  styles: `
    h2 {
      margin: 0.8rem 0 0.4rem;
    }
    .choices {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.4rem;
    }
    .three {
      grid-template-columns: repeat(3, minmax(0, 1fr));
    }
    button {
      min-height: 44px;
      padding: 0.3rem 0.5rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 6px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
      cursor: pointer;
    }
    button.on {
      background: var(--p-jl-ink);
      color: var(--p-jl-paper);
    }
    .three button span {
      display: block;
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    button.hold {
      border-color: var(--p-jl-kerb);
      color: var(--p-jl-kerb);
    }
    .photo {
      display: block;
      margin-top: 0.7rem;
      font-size: 13px;
      color: var(--p-jl-muted);
    }
  `,
})
export class FaultForm {
  private readonly data = inject(DayService);
  private readonly photos = inject(Photos);
  private readonly planning = inject(PlanService);
  readonly open = model(false);
  readonly car = input.required<string>();
  readonly name = input.required<string>();
  protected readonly places = carPlace.options;
  protected readonly severities = SEVERITIES;
  protected readonly where = signal<CarPlace | undefined>(undefined);
  protected readonly what = signal('');
  protected readonly sending = signal(false);
  private photo: File | undefined;
  protected readonly usual = computed(() => {
    const where = this.where();
    return where ? USUAL[where] : [];
  });

  protected choosePhoto(event: Event): void {
    this.photo = (event.target as HTMLInputElement).files?.[0];
  }

  protected async report(severity: FaultSeverity): Promise<void> {
    const [car, where, what] = [this.car(), this.where(), this.what().trim()];
    if (!where || !what) return;
    this.sending.set(true);
    const photo = this.photo && (await this.photos.send(this.photo, newId()));
    if (this.photo && !photo) this.data.refuse('The picture could not be sent; the fault is entered without it.');
    this.sending.set(false);
    if (!this.data.record({ kind: 'faultFound', car, where, what, severity, ...(photo && { photo }) })) return;
    if (severity === 'hold') {
      const reason = `${where}: ${what}`;
      if (
        this.data.state()?.cars.get(car)?.heldFor === undefined &&
        this.data.record({ kind: 'carHeld', car, reason })
      ) {
        this.planning.repairOnceSent(`${this.name()} held: ${reason}`);
        this.data.say('The car is out of service. A repair of the plan is being looked for; it will be on the board.');
      }
    }
    this.open.set(false);
  }

  protected clear(): void {
    this.where.set(undefined);
    this.what.set('');
    this.photo = undefined;
  }
}
