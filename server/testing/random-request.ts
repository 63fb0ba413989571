import * as fc from 'fast-check';
import { journalEntry } from '@core/journal';
import * as z from 'zod';
import { CREW, FLEET, LARKMERE } from '../../demo/larkmere';
import { bookingBody } from './test-server';

/** Something that a person or a device may send, as it travels. */
export interface RandomRequest {
  readonly method: 'post' | 'put';
  readonly path: string;
  readonly body: unknown;
}

const time = fc
  .tuple(fc.integer({ min: 0, max: 24 }), fc.constantFrom('00', '05', '30', '59'))
  .map(([hours, minutes]) => (hours === 24 ? '24:00' : `${String(hours).padStart(2, '0')}:${minutes}`));
const window = fc.record({ from: time, to: time });
const GUESTS = ['b1', 'b2', 'b3'];
const subject = fc.constantFrom(
  ...GUESTS,
  'd-b1',
  'd-b2',
  'd-b3',
  'c1',
  'c4',
  'c9',
  's1',
  CREW[0]!.id,
  CREW[1]!.id,
  'nobody',
);

/** Values that a schema may be given, good ones and some that are not, as they travel. */
function valueFor(schema: z.ZodType, key: string): fc.Arbitrary<unknown> {
  if (schema instanceof z.ZodOptional) {
    return fc.option(valueFor(schema.unwrap() as z.ZodType, key), { nil: undefined });
  }
  if (schema instanceof z.ZodLiteral) return fc.constant([...schema.values][0]);
  if (schema instanceof z.ZodEnum) return fc.constantFrom(...schema.options);
  if (schema instanceof z.ZodCodec) return time;
  if (schema instanceof z.ZodBoolean) return fc.boolean();
  if (schema instanceof z.ZodNumber) {
    const [min, max] = [Math.max(0, schema.minValue ?? 0), Math.min(500, schema.maxValue ?? 500)];
    return schema.isInt
      ? fc.integer({ min: Math.ceil(min), max: Math.floor(max) })
      : fc.double({ min, max, noNaN: true });
  }
  if (schema instanceof z.ZodArray) {
    return fc.array(valueFor(schema.element as z.ZodType, key), { minLength: 1, maxLength: 4 });
  }
  if (schema instanceof z.ZodObject) return fc.record(shapeOf(schema.shape as Record<string, z.ZodType>));
  return key === 'reason' || key === 'what' || key === 'note' ? fc.constant('a word') : subject;
}

function shapeOf(shape: Record<string, z.ZodType>): Record<string, fc.Arbitrary<unknown>> {
  return Object.fromEntries(Object.entries(shape).map(([key, schema]) => [key, valueFor(schema, key)]));
}

/** Entries of every kind that there is, on line and off line. */
const entry = fc.oneof(
  ...journalEntry.options.map((option) => {
    const { id: _, by: __, ...shape } = option.shape as unknown as Record<string, z.ZodType>;
    return fc.record({ ...shapeOf(shape), by: fc.constant('Test') });
  }),
);

const zones = fc.constantFrom('UTC', 'Atlantic/Azores', 'Mars/Base', 'Europe', '', 'Asia/Kathmandu');
const vehicle = { ...LARKMERE.sightingVehicles[0]!, available: [{ from: '08:00', to: '18:00' }] };

/** Requests that set a venue up and enter what happens on a day; most of them are good, and some are not. */
export function randomRequest(day: string, venueBody: Record<string, unknown>): fc.Arbitrary<RandomRequest> {
  const put = (path: string, body: unknown): RandomRequest => ({ method: 'put', path, body });
  const post = (path: string, body: unknown): RandomRequest => ({ method: 'post', path, body });
  const entries = entry.map((body) => post(`${day}/journal`, body));
  const venue = fc
    .record({
      timeZone: zones,
      opens: time,
      closes: time,
      sightingVehicles: fc.array(
        fc.constantFrom('s1', 's2', 's3').map((id) => ({ ...vehicle, id })),
        { maxLength: 3 },
      ),
    })
    .map((more) => put('/api/venue', { ...venueBody, ...more }));
  const booking = fc
    .record({ reference: fc.constantFrom('A1', 'A2', 'A3'), arrives: time, leavesBy: time })
    .map((more) =>
      post(`${day}/bookings`, bookingBody({ ...more, drives: [{ id: 'd-b1', cars: ['c4', 'gone'], laps: 5 }] })),
    );
  const roster = fc
    .record({ kind: fc.constantFrom('shift', 'absence'), hours: fc.option(window, { nil: undefined }) })
    .map(({ kind, hours }) => {
      const fields = { id: 'r-1', instructor: CREW[0]!.id, kind, from: '2027-05-20', to: '2027-05-25', hours };
      return put('/api/roster/entries/r-1', { version: 0, fields });
    });
  const { available: _, ...car } = FLEET[0]!;
  const cars = fc
    .record({ id: fc.constantFrom('c1', 'x1', 's1'), available: fc.array(window, { maxLength: 2 }) })
    .map((more) => post('/api/cars', { ...car, ...more }));
  return fc.oneof({ weight: 6, arbitrary: entries }, venue, booking, roster, cars);
}
