import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { carFile } from '@core/track/car/at-start';
import { isLow, tankOf } from '@core/venue/garage';
import type { CarState } from '@core/journal';
import {
  betterFrom,
  carFields,
  carId,
  isInFleet,
  starterCar,
  starterColour,
  stillAssumed,
  venueOfCars,
  type CarFields,
} from '@core/venue/fleet';
import { contract, type StoredCar } from '@core/api';
import { clockMinute, windowsText } from '@core/values';
import { CAR_STATUS_WORDS } from '@words';
import { BETTER_FROM_WORDS } from '@words/en/first-steps';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { Dialog } from 'primeng/dialog';
import { tap } from 'rxjs';
import * as z from 'zod';
import { ImportDialog } from '../bookings/import-dialog';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { Refuelling } from '../../../shared/data/refuelling';
import { withCurrency, type Field } from '../../../shared/forms/fields';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { Ask } from '../../../shared/frame/ask';
import { CAR_FIELDS, MODEL_FIELDS, NEW_CAR_FIELDS, NEW_MODEL, newCar } from './car-fields';
import { StarterSet } from './starter-set';
import { lastKnown } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

/** The fleet: what each car is, where it stands now, and what the garage enters about it. */
@Component({
  selector: 'jl-cars',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, ImportDialog, RecordEditor, StarterSet, TableModule, Unread],
  templateUrl: './cars.html',
  styles: `
    .photo {
      height: 2.2rem;
      margin-right: 0.5rem;
      border-radius: 4px;
      vertical-align: middle;
    }
    .colour {
      display: inline-block;
      width: 0.9rem;
      height: 0.9rem;
      margin-right: 0.4rem;
      border: 1px solid var(--p-jl-line);
      border-radius: 50%;
      vertical-align: -0.1rem;
    }
  `,
  host: { class: 'screen' },
})
export class Cars {
  private readonly api = inject(Api);
  private readonly ask = inject(Ask);
  protected readonly data = inject(DayService);
  protected readonly refuelling = inject(Refuelling);
  /** Of the car that is being edited. */
  protected readonly fields = signal<readonly Field[]>(CAR_FIELDS);
  protected readonly starting = signal(false);
  protected readonly importing = signal(false);
  protected readonly edited = signal<Edited | undefined>(undefined);
  protected readonly modelFields = MODEL_FIELDS;
  /** The lap model of a car that is being edited. */
  protected readonly model = signal<Edited | undefined>(undefined);
  protected readonly list = rxResource({
    params: () => this.data.view()?.revision?.revision ?? 0,
    stream: () => this.api.call(contract.listCars),
  });
  private readonly stored = lastKnown(this.list);
  protected readonly rows = computed(() =>
    (this.stored()?.cars ?? []).map((stored) => {
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
        out:
          fields.leftOn !== undefined && !isInFleet(fields, this.data.date() ?? fields.leftOn)
            ? fields.leftOn
            : undefined,
        assumed: fields.assumed?.includes('lapTimeS') ?? false,
      };
    }),
  );

  protected async takeOut(car: string, name: string): Promise<void> {
    const reason = await this.ask.for(`Hold ${name}`, 'Why?');
    if (reason) this.data.record({ kind: 'carHeld', car, reason });
  }

  protected open(stored: StoredCar): void {
    const before = z.encode(carFields, stored.fields);
    const { id, version: read } = stored;
    const change = (fields: CarFields, version: number) =>
      this.api
        .call(contract.changeCar, { params: { id }, body: { version, fields } })
        .pipe(tap(() => this.data.reload()));
    const leave = () => change({ ...stored.fields, leftOn: this.data.date() }, read);
    this.show(CAR_FIELDS, stored.fields.assumed);
    this.edited.set(
      editing(carFields, {
        title: `Car ${stored.fields.number}, ${stored.fields.name}`,
        fields: before,
        version: read,
        save: (fields, version) => change(asSaved(before, fields), version!),
        remove: stored.fields.leftOn ? undefined : { label: 'Take out of the fleet', run: leave },
      }),
    );
  }

  protected backIn({ id, version, fields: { leftOn: _, ...fields } }: StoredCar): void {
    this.api.call(contract.changeCar, { params: { id }, body: { version, fields } }).subscribe({
      next: () => this.read(),
      error: (error: Error) => this.data.refuse(error.message),
    });
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

  /** Number, name, kind and price; what follows from the kind is assumed, and can be corrected at once. */
  protected add(): void {
    const day = this.data.day();
    if (!day) return;
    const { number, taken } = this.free();
    const at = { ...venueOfCars(day, this.data.currency()), taken };
    this.show(NEW_CAR_FIELDS);
    this.edited.set(
      editing(newCar, {
        title: 'New car',
        fields: { number, name: '', kind: 'grandTourer', colour: starterColour(number) },
        version: undefined,
        save: ({ kind, lapPrice, ...entered }) => {
          const plain = starterCar(kind, { ...at, ...entered });
          const car = lapPrice === undefined ? plain : asSaved(z.encode(carFields, plain), { ...plain, lapPrice });
          return this.api.call(contract.addCar, { body: car });
        },
      }),
    );
  }

  /** The fields of a form, prices in the venue's money and what is assumed named. */
  private show(fields: readonly Field[], assumed?: readonly string[]): void {
    this.fields.set(withCurrency(fields, this.data.currency()).map((field) => asAssumed(field, assumed)));
  }

  /** Another one like it, under the next number. */
  protected copy({ fields }: StoredCar): void {
    const { number, taken } = this.free();
    const { transponder: _, stall: __, leftOn: ___, ...like } = fields;
    this.show(CAR_FIELDS, fields.assumed);
    const before = z.encode(carFields, { ...like, id: carId(number, taken), number });
    this.edited.set(
      editing(carFields, {
        title: `Another ${fields.name}`,
        fields: before,
        version: undefined,
        save: (car) =>
          this.api.call(contract.addCar, { body: asSaved(before, { ...car, id: carId(car.number, taken) }) }),
      }),
    );
  }

  /** The next number, and the ids that are taken. */
  private free(): { readonly number: number; readonly taken: ReadonlySet<string> } {
    const cars = this.stored()?.cars ?? [];
    const number = 1 + Math.max(0, ...cars.map(({ fields }) => fields.number));
    return { number, taken: new Set(cars.map(({ id }) => id)) };
  }

  protected read(): void {
    this.list.reload();
    this.data.reload();
  }
}

/** A number that nobody has measured says so, and where a better one would come from. */
function asAssumed(field: Field, assumed: readonly string[] = []): Field {
  const from = assumed.includes(field.path) ? betterFrom(field.path) : undefined;
  return from ? { ...field, hint: BETTER_FROM_WORDS[from] } : field;
}

/** A car as it is saved: what has been changed by hand is not assumed any more. */
function asSaved(before: z.input<typeof carFields>, fields: CarFields): CarFields {
  return { ...fields, assumed: stillAssumed(before, z.encode(carFields, fields)) };
}

/** What a car does, and that it is out of service, be it that it has still to come in for that. */
function nowWords({ status, heldFor, backAtS }: CarState): string {
  if (heldFor === undefined) return CAR_STATUS_WORDS[status];
  const back = backAtS === undefined ? '' : `, back ${clockMinute(backAtS)}`;
  const out = `out of service: ${heldFor}${back}`;
  return status === 'held' ? out : `${CAR_STATUS_WORDS[status]}, then ${out}`;
}
