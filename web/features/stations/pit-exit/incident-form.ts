import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { clockMinute } from '@core/values';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DayService } from '../../../shared/data/day.service';
import { CircuitView } from '../../../shared/drawing/circuit-view';
import { placeWords, type PitDrive } from './pit-exit-model';
import { Traffic } from './traffic';

/** A short record of an incident, kept in the journal: where, which cars, what, whether people are unhurt, what follows. */
@Component({
  selector: 'jl-incident-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CircuitView, Dialog, FormsModule, InputText],
  templateUrl: './incident-form.html',
  styles: `
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 1.2rem;
    }
    jl-circuit-view {
      height: 17rem;
    }
    form {
      display: grid;
      gap: 0.35rem;
      align-content: start;
    }
    .cars,
    .people {
      display: flex;
      flex-wrap: wrap;
      gap: 0.35rem;
    }
    .cars button,
    .people button {
      min-width: 46px;
      min-height: 46px;
      border: 1.5px solid var(--p-jl-ink);
      border-radius: 7px;
      background: none;
      color: inherit;
      font-weight: 700;
      cursor: pointer;
    }
    .people button {
      flex: 1;
    }
    button[aria-pressed='true'] {
      background: var(--p-jl-ink);
      color: var(--p-jl-paper);
    }
    p {
      margin: 0.3rem 0;
    }
    h2 {
      margin-top: 0.8rem;
    }
    @media (max-width: 640px) {
      .two {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class IncidentForm {
  private readonly data = inject(DayService);
  protected readonly traffic = inject(Traffic);
  readonly open = model(false);
  /** The drive that it is about, where that is known: its car and where that is are filled in. */
  readonly about = input<PitDrive>();
  protected readonly what = signal('');
  protected readonly followUp = signal('');
  protected readonly unhurt = signal<boolean | undefined>(undefined);
  protected readonly place = signal<number | undefined>(undefined);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());

  protected readonly cars = computed(() => {
    const view = this.data.view();
    return (view?.day.cars ?? []).map(({ id }) => ({ id, number: view!.carNumbers[id] ?? id }));
  });
  protected readonly where = computed(() => {
    const place = this.place();
    if (place === undefined) return 'Tap the place on the circuit.';
    return this.placeWords(place);
  });
  protected readonly earlier = computed(() =>
    (this.data.state()?.incidents ?? []).map(({ id, atS, by, what, cars, place, unhurt, followUp }) => {
      const numbers = cars.map((car) => this.data.view()?.carNumbers[car] ?? car).join(', ');
      const text = [
        `${clockMinute(atS)} ${what}`,
        ...(numbers ? [`car ${numbers}`] : []),
        ...(place === undefined ? [] : [this.placeWords(place)]),
        unhurt ? 'people unhurt' : 'somebody hurt',
        ...(followUp ? [followUp] : []),
        by,
      ].join(' · ');
      return { id, text };
    }),
  );

  constructor() {
    effect(() => {
      const [open, about] = [this.open(), this.about()];
      if (open && about) untracked(() => this.begin(about));
    });
  }

  private begin({ id, carId }: PitDrive): void {
    const standing = this.data.state()?.drives.get(id)?.standing;
    this.chosen.set(new Set([carId]));
    this.place.set(standing?.place ?? this.traffic.placeOf(id, this.data.nowS()));
  }

  protected toggle(car: string): void {
    this.chosen.update((chosen) => {
      const next = new Set(chosen);
      if (!next.delete(car)) next.add(car);
      return next;
    });
  }

  protected enter(): void {
    const [what, unhurt, place, followUp] = [this.what().trim(), this.unhurt(), this.place(), this.followUp().trim()];
    if (what === '' || unhurt === undefined) return;
    const optional = { ...(place !== undefined && { place }), ...(followUp && { followUp }) };
    if (!this.data.record({ kind: 'incident', what, cars: [...this.chosen()], unhurt, ...optional })) return;
    this.what.set('');
    this.followUp.set('');
    this.unhurt.set(undefined);
    this.place.set(undefined);
    this.chosen.set(new Set());
    this.open.set(false);
  }

  private placeWords(place: number): string {
    return placeWords(this.traffic.shape(), this.data.day()?.circuit.lapLengthM ?? 0, place);
  }
}
