import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { carFile } from '@core/car';
import { isLow, tankOf } from '@core/garage';
import type { CarState } from '@core/journal';
import { carFields, contract, type StoredCar } from '@core/api';
import { clockMinute } from '@core/day';
import { CAR_STATUS_WORDS } from '@core/words';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import * as z from 'zod';
import { Api } from '../data/api';
import { DayService } from '../data/day.service';
import { windowsText } from '../forms/fields';
import { editing, RecordEditor, type Edited } from '../forms/record-editor';
import { Ask } from '../shell/ask';
import { CAR_FIELDS, MODEL_FIELDS, NEW_CAR, NEW_MODEL } from './car-fields';
import { known } from '../data/reading';
import { Unread } from '../shell/unread';

/** The fleet: what each car is, where it stands now, and what the garage enters about it. */
@Component({
  selector: 'jl-cars',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, RecordEditor, TableModule, Unread],
  templateUrl: './cars.html',
  host: { class: 'screen' },
})
export class Cars {
  private readonly api = inject(Api);
  private readonly ask = inject(Ask);
  protected readonly data = inject(DayService);
  protected readonly fields = CAR_FIELDS;
  protected readonly edited = signal<Edited | undefined>(undefined);
  protected readonly modelFields = MODEL_FIELDS;
  /** The lap model of a car that is being edited. */
  protected readonly model = signal<Edited | undefined>(undefined);
  protected readonly list = rxResource({
    params: () => this.data.view()?.revision?.revision ?? 0,
    stream: () => this.api.call(contract.listCars),
  });
  protected readonly rows = computed(() =>
    (known(this.list)?.cars ?? []).map((stored) => {
      const day = this.data.state();
      const state = day?.cars.get(stored.id);
      const tank = day && state && tankOf(day, state);
      const { fields } = stored;
      return {
        id: stored.id,
        stored,
        fields,
        status: state?.status,
        now: state ? nowWords(state) : '',
        laps: state?.laps ?? 0,
        fuel: tank ? `${tank.litres.toFixed(0)} of ${fields.fuel.capacityL} l` : '',
        low: tank !== undefined && isLow(tank, fields),
        available: windowsText(z.encode(carFields, fields).available),
      };
    }),
  );

  protected async takeOut(car: string, name: string): Promise<void> {
    const reason = await this.ask.for(`Hold ${name}`, 'Why?');
    if (reason) this.data.record({ kind: 'carHeld', car, reason });
  }

  protected open(stored: StoredCar): void {
    this.edited.set(
      editing(carFields, {
        title: `Car ${stored.fields.number}, ${stored.fields.name}`,
        fields: z.encode(carFields, stored.fields),
        version: stored.version,
        save: (fields, version) =>
          this.api.call(contract.changeCar, { params: { id: stored.id }, body: { version: version!, fields } }),
      }),
    );
  }

  protected openModel({ id, version, fields }: StoredCar): void {
    this.model.set(
      editing(carFile, {
        title: `Lap model of ${fields.number} ${fields.name}`,
        fields: fields.model ?? { ...NEW_MODEL, name: fields.name },
        version,
        save: (model, at) =>
          this.api.call(contract.changeCar, { params: { id }, body: { version: at!, fields: { ...fields, model } } }),
      }),
    );
  }

  protected add(): void {
    this.edited.set(
      editing(carFields, {
        title: 'New car',
        fields: NEW_CAR,
        version: undefined,
        save: (fields) => this.api.call(contract.addCar, { body: fields }),
      }),
    );
  }
}

/** What a car does, and that it is out of service, be it that it has still to come in for that. */
function nowWords({ status, heldFor, backAtS }: CarState): string {
  if (heldFor === undefined) return CAR_STATUS_WORDS[status];
  const back = backAtS === undefined ? '' : `, back ${clockMinute(backAtS)}`;
  const out = `out of service: ${heldFor}${back}`;
  return status === 'held' ? out : `${CAR_STATUS_WORDS[status]}, then ${out}`;
}
