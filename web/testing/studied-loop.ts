import { TestBed } from '@angular/core/testing';
import { carFields, type CarFields } from '@core/venue/fleet';
import { carFile } from '@core/track/car/at-start';
import { studyCircuit } from '@core/track/car';
import type { Circuit } from '@core/track/circuit';
import { aCar } from '@core/testing/small-day';
import { SMALL_MODEL } from '@core/testing/small-model';
import * as z from 'zod';
import { CircuitService } from '../shared/data/circuit.service';
import { LOOP } from './loop';

/** A car of the fleet as it is stored, with a model where the lap is to be worked out. */
const aFleetCar = (number: number, more: Partial<z.input<typeof carFields>> = {}): CarFields =>
  carFields.parse({ ...z.encode(carFields, { ...aCar(), number }), ...more });

const FLEET = [
  { id: 'c1', version: 3, fields: aFleetCar(1, { model: SMALL_MODEL }) },
  {
    id: 'c2',
    version: 5,
    fields: aFleetCar(2, { name: 'Sabrel R', level: 4, model: { ...SMALL_MODEL, massKg: 1500, peakPowerKW: 420 } }),
  },
  { id: 'c3', version: 1, fields: aFleetCar(3, { name: 'Vessant 610' }) },
];

export const STUDY = studyCircuit(
  LOOP,
  FLEET.slice(0, 2).map(({ id, fields }) => ({
    id,
    name: fields.name,
    number: fields.number,
    level: fields.level,
    model: carFile.parse(fields.model),
  })),
  [1, 1.2],
);

/** The service with circuit, fleet and what follows from them, as if the thread had answered. */
export function studiedCircuit(circuit: Circuit = LOOP): CircuitService {
  const service = TestBed.inject(CircuitService);
  service.stored.set({ version: 4, circuit });
  service.draft.set(circuit);
  service.cars.set(FLEET);
  service.study.set(STUDY);
  return service;
}
