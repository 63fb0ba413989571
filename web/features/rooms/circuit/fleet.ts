import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { contract, type StoredCar } from '@core/api';
import type { CarFields } from '@core/venue/fleet';
import { carOf, differenceCard, fromTameToFierce } from '@core/track/car';
import { measuredLap } from '@core/venue/garage';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { FormsModule } from '@angular/forms';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { GarageService } from '../../../shared/data/garage.service';
import { lapFaultWords } from '../../../shared/data/screen-words';
import { DifferenceCardView } from './difference-card';

/** A stint's heat that brakes take before they must cool: so much for each kilogram of the car, MJ. */
const HEAT_MJ_PER_KG = 0.14;

/** The fleet on the teaching line: what the model computes, what was measured, what the day plans with, and who brakes where. */
@Component({
  selector: 'jl-fleet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DifferenceCardView, FormsModule, Select],
  templateUrl: './fleet.html',
  styleUrl: './fleet.scss',
})
export class Fleet {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly garage = inject(GarageService);
  protected readonly circuit = inject(CircuitService);
  protected readonly faultWords = lapFaultWords;
  protected readonly now = signal<string | undefined>(undefined);
  protected readonly before = signal<string | undefined>(undefined);

  constructor() {
    this.garage.refresh();
  }

  protected readonly rows = computed(() => {
    const laps = this.circuit.study()?.laps ?? [];
    const faults = this.circuit.study()?.faults ?? [];
    const days = this.garage.earlier();
    return this.circuit.cars().map((stored) => {
      const { fields, id } = stored;
      const lap = laps.find((one) => one.car === id && one.pace === 1);
      const measured = measuredLap(days.filter(({ car }) => car === id));
      const heatPerStint = fields.model ? HEAT_MJ_PER_KG * fields.model.massKg : 0;
      const coolingAfter =
        lap && lap.brakeHeatMJ > 0 ? Math.max(1, Math.floor(heatPerStint / lap.brakeHeatMJ)) : undefined;
      return {
        stored,
        name: `${fields.number} ${fields.name}`,
        level: fields.level,
        lap,
        fault: faults.find(({ car }) => car === id),
        measured,
        planned: fields.lapTimeS,
        // What was measured knows more than the model, once there is enough of it.
        better:
          measured && measured.count >= 20
            ? Math.round(measured.medianS * 10) / 10
            : lap && Math.round(lap.lapTimeS * 10) / 10,
        perLapL: fields.fuel.perLapL,
        coolingAfter,
        cooling: fields.cooling.afterLaps,
        assumed: fields.model ? carOf(fields.model).assumed : [],
      };
    });
  });
  protected readonly dry = computed(() => this.circuit.grip() === 1);
  protected readonly order = computed(() =>
    fromTameToFierce(this.circuit.fleet()).map(({ number, name }) => `${number} ${name}`),
  );
  protected readonly brakes = computed(() =>
    (this.circuit.study()?.corners ?? []).flatMap(({ name, brake, taught }) => {
      if (!brake) return [];
      const before = (atM: number) => taught.turnInM - atM;
      const lengthM = this.circuit.study()!.centre.lengthM;
      const places = (this.circuit.study()?.laps ?? []).flatMap(({ car, pace, brakesM }) => {
        const atM = brakesM[taught.corner.number - 1];
        if (atM === undefined) return [];
        const dist = before(atM) < -lengthM / 2 ? before(atM) + lengthM : before(atM);
        return [{ car, pace, dist }];
      });
      const most = Math.max(1, ...places.map(({ dist }) => dist));
      return [
        {
          name,
          brake,
          same: brake.spreadM < 1,
          decides: `${this.circuit.carName(brake.decidedBy.car)}, pace ${brake.decidedBy.pace}`,
          deep: this.circuit.carName(brake.deepBy),
          most: Math.round(most),
          marks: places.map(({ car, pace, dist }) => ({
            x: 100 - (100 * dist) / most,
            pace,
            words: `${this.circuit.carName(car)}, pace ${pace}: ${Math.round(dist)} m before the turn-in`,
          })),
        },
      ];
    }),
  );
  protected readonly choices = computed(() =>
    this.circuit.fleet().map(({ id, number, name }) => ({ id, label: `${number} ${name}` })),
  );
  protected readonly card = computed(() => {
    const now = this.circuit.talkSubject(this.now() ?? this.choices()[0]?.id);
    const before = this.circuit.talkSubject(this.before());
    return now && differenceCard(now, before);
  });

  protected print(): void {
    window.print();
  }

  /** The day plans with this from now on. */
  protected takeOver({ id, version, fields }: StoredCar, change: Partial<CarFields>, words: string): void {
    const body = { version, fields: { ...fields, ...change } };
    this.api.call(contract.changeCar, { params: { id }, body }).subscribe({
      next: () => {
        this.circuit.refresh();
        this.data.say(words);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected takeFuel(stored: StoredCar, litres: number): void {
    const perLapL = Math.round(litres * 100) / 100;
    const fuel = { ...stored.fields.fuel, perLapL };
    this.takeOver(stored, { fuel }, `${stored.fields.name}: ${perLapL} l a lap from now on.`);
  }

  protected takeCooling(stored: StoredCar, afterLaps: number): void {
    const cooling = { ...stored.fields.cooling, afterLaps };
    this.takeOver(stored, { cooling }, `${stored.fields.name} cools after ${afterLaps} laps from now on.`);
  }

  protected takeLap(stored: StoredCar, lapTimeS: number): void {
    this.takeOver(stored, { lapTimeS }, `${stored.fields.name}: a lap of ${lapTimeS} s from now on.`);
  }
}
