import { bookingFields, carFields } from '@core/api';
import { carFile } from '@core/car';
import * as z from 'zod';
import { bookingFormFields } from '../bookings/booking-fields';
import { CAR_FIELDS, MODEL_FIELDS, NEW_CAR } from '../cars/car-fields';
import { valueAt, type Field } from './fields';

/** What is entered elsewhere, with where. */
const ELSEWHERE: Record<string, string> = {
  model: 'in a form of its own, MODEL_FIELDS',
  'fuel.readings': 'at the garage, on the day',
  format: 'is the same in every file',
  version: 'is the same in every file',
  name: 'of the model: the car has it',
};

/** The paths of a schema down to what a single control can hold. */
function pathsOf(schema: z.ZodType, at = ''): string[] {
  let inner: unknown = schema;
  while (inner instanceof z.ZodOptional || inner instanceof z.ZodDefault || inner instanceof z.ZodNullable) {
    inner = inner.unwrap();
  }
  if (!(inner instanceof z.ZodObject)) return [at];
  return Object.entries(inner.shape as Record<string, z.ZodType>).flatMap(([key, of]) =>
    pathsOf(of, at === '' ? key : `${at}.${key}`),
  );
}
const entered = (path: string, fields: readonly Field[]) =>
  fields.some((field) => field.path === path || field.path.startsWith(`${path}.`));

describe('The forms', () => {
  const FORMS: readonly [name: string, schema: z.ZodType, fields: readonly Field[]][] = [
    ['a car', carFields, CAR_FIELDS],
    ['a car for the lap model', carFile, MODEL_FIELDS],
    ['a booking', bookingFields, bookingFormFields([], [])],
  ];

  for (const [name, schema, fields] of FORMS) {
    it(`of ${name} can enter all that is kept of it`, () => {
      const missing = pathsOf(schema).filter((path) => {
        const known = ELSEWHERE[path] !== undefined || ELSEWHERE[path.split('.')[0]!] !== undefined;
        return !entered(path, fields) && !known;
      });
      expect(missing).toEqual([]);
    });

    it(`of ${name} asks for nothing that is not kept, and for nothing twice`, () => {
      const kept = pathsOf(schema);
      const paths = fields.map(({ path }) => path);
      expect(paths.filter((path) => !kept.some((one) => one === path || path.startsWith(`${one}.`)))).toEqual([]);
      expect(new Set(paths).size).toBe(paths.length);
    });

    it(`of ${name} names every control`, () => {
      for (const { label, path } of fields) expect(label.trim().length).withContext(path).toBeGreaterThan(0);
    });
  }

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
