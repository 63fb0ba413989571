import { bookingFields } from '@core/venue/booking';
import { carFields } from '@core/venue/fleet';
import { carFile } from '@core/track/car/at-start';
import { SMALL_MODEL } from '@core/testing/small-model';
import { instructorFields } from '@core/people/crew/at-start';
import { NEW_INSTRUCTOR } from '@core/people/crew';
import type * as z from 'zod';
import { valueAt, withValues, type Json } from '@core/values';
import { bookingFormFields } from '../../features/rooms/bookings/booking-fields';
import { CAR_FIELDS, MODEL_FIELDS, NEW_CAR } from '../../features/rooms/cars/car-fields';
import { crewFormFields } from '../../features/rooms/crew/crew-fields';
import { RULES_FIELDS } from '../../features/rooms/rules/rules-fields';
import { recordValue, shownValue, type Field } from './fields';

/** Records as full as they can be, in their encoded form. */
const CAR = {
  ...NEW_CAR,
  ...{ colour: '#a33c2f' },
  ...{ id: 'c1', number: 1, name: 'Dunnock Cup', lapPrice: 24.5, stall: 4, transponder: 'T-1' },
  fit: { minHeightCm: 150, maxHeightCm: 195, maxWeightKg: 120 },
  wear: { brakesMJ: 900, tyresKm: 800, clutchStarts: 400 },
  talk: { brakes: 'soft', steering: 'light', automatic: 'slow', traps: ['no doors', 'low roof'] },
};
const INSTRUCTOR = {
  ...NEW_INSTRUCTOR,
  ...{ id: 'i1', name: 'Anselm Holt', cars: ['c1', 'c2'], byRoster: true, levelLaps: { '4': 40, '5': 20 } },
};
const BOOKING = {
  ...{ reference: 'A1', name: 'Ines Faro', birthday: '1990-04-01', email: 'ines@example.org', party: 'oak' },
  ...{ languages: ['en', 'fr'], arrives: '09:00', leavesBy: '15:00', sequence: 'any', gearbox: 'paddle' },
  ...{ drives: [{ id: 'd1', cars: ['c1'], laps: 5 }], preferInstructors: ['i1'], avoidInstructors: [] },
  ...{ heightCm: 171.5, weightKg: 70, helmet: 'M', pace: 'first', carAtHome: 'a van', drivesOn: 'left' },
  ...{ touch: true, briefed: false, sighted: true, price: 149, paid: 0, occasion: 'fifty', notes: 'early' },
  ...{ healthNote: 'asthma', sameTimeAs: ['A2'], inTurnWith: ['A2', 'A3'], sameInstructorAs: ['A3'] },
};

describe('The forms', () => {
  const FORMS: readonly [name: string, schema: z.ZodType, fields: readonly Field[], record: Json][] = [
    ['a car', carFields, CAR_FIELDS, CAR],
    ['a car for the lap model', carFile, MODEL_FIELDS, SMALL_MODEL],
    ['an instructor', instructorFields, crewFormFields([], false), INSTRUCTOR],
    ['a booking', bookingFields, bookingFormFields([], [], []), BOOKING],
  ];

  for (const [name, schema, fields, record] of FORMS) {
    it(`of ${name} give back what they were filled with, value by value`, () => {
      const values = fields.map((field) => ({
        path: field.path,
        value: recordValue(field, shownValue(field, valueAt(record, field.path))),
      }));
      // Whatever a field shows for a value that is not there must be what the schema takes it for.
      const filled = schema.parse(record);
      expect(schema.parse(withValues(record, values))).toEqual({ ...(filled as object), ...onlyNo(values) });
    });
  }

  it('name every control, and none twice', () => {
    for (const fields of [...FORMS.map(([, , of]) => of), RULES_FIELDS]) {
      for (const { label, path } of fields) expect(label.trim().length).withContext(path).toBeGreaterThan(0);
      expect(new Set(fields.map(({ path }) => path)).size).toBe(fields.length);
    }
  });

  it('take what is left empty in an optional field for missing', () => {
    for (const [, , fields] of FORMS) {
      for (const field of fields.filter(({ optional }) => optional)) {
        expect(recordValue(field, '')).withContext(field.path).toBeUndefined();
        expect(recordValue(field, null)).withContext(field.path).toBeUndefined();
      }
    }
  });

  it('of the rules have their units where a value is a time, a length or laps', () => {
    for (const { path, unit, kind } of RULES_FIELDS) {
      // Durations are written with their units.
      if (/[a-z]S$/.test(path) && kind !== 'duration') expect(unit).withContext(path).toBe('s');
      if (/[a-z]M$/.test(path)) expect(unit).withContext(path).toBe('m');
    }
  });

  it('of a new car lacks only what nobody can know beforehand', () => {
    const found = carFields.safeParse(NEW_CAR);
    expect([...new Set(found.error!.issues.map(({ path }) => path.join('.')))].sort()).toEqual([
      'id',
      'name',
      'number',
    ]);
    for (const { path, optional } of CAR_FIELDS) {
      if (!optional) expect(valueAt(NEW_CAR, path)).withContext(path).toBeDefined();
    }
  });
});

/** A box that is not ticked says no, where the record said nothing. */
function onlyNo(values: readonly { readonly path: string; readonly value: unknown }[]): Json {
  return Object.fromEntries(values.flatMap(({ path, value }) => (value === false ? [[path, false]] : [])));
}
