import fc from 'fast-check';
import * as z from 'zod';
import { DAY_S } from '../values';
import { bookingFields, type BookingFields } from '../venue/booking';
import { contract } from './contract';
import type { Endpoint } from './endpoint';
import { openApiDocument } from './openapi';

const word = fc
  .string({ minLength: 1, maxLength: 30 })
  .map((text) => text.trim())
  .filter((text) => text !== '');
const optional = <T>(values: fc.Arbitrary<T>) => fc.option(values, { nil: undefined });

const anyBooking: fc.Arbitrary<BookingFields> = fc
  .record({
    reference: word,
    name: word,
    party: optional(word),
    languages: fc.uniqueArray(word, { minLength: 1, maxLength: 3 }),
    arrives: fc.integer({ min: 0, max: DAY_S - 2 }),
    heightCm: optional(fc.integer({ min: 50, max: 300 })),
    weightKg: optional(fc.integer({ min: 10, max: 500 })),
    pace: fc.constantFrom('first' as const, 'before' as const, 'quick' as const),
    gearbox: optional(fc.constantFrom('auto' as const, 'paddle' as const)),
    touch: fc.boolean(),
    sequence: fc.constantFrom('any' as const, 'asListed' as const),
    price: fc.integer({ min: 0, max: 100_000 }).map((cents) => cents / 100),
    paid: fc.constant(0),
    briefed: fc.boolean(),
    sighted: fc.boolean(),
    avoidInstructors: fc.uniqueArray(word, { maxLength: 2 }),
    preferInstructors: fc.uniqueArray(word, { maxLength: 2 }),
    notes: optional(word),
    drives: fc.array(
      fc.record({
        id: word,
        cars: fc.uniqueArray(word, { minLength: 1, maxLength: 3 }),
        laps: fc.integer({ min: 1, max: 50 }),
      }),
      { maxLength: 4 },
    ),
  })
  .map((booking) => ({ ...booking, leavesBy: booking.arrives + 1 }));

describe('A booking on the wire', () => {
  it('comes back as it was, whatever is in it', () => {
    fc.assert(
      fc.property(anyBooking, (booking) => {
        const text = JSON.stringify(z.encode(bookingFields, booking));
        const back = bookingFields.parse(JSON.parse(text));
        if (JSON.stringify(z.encode(bookingFields, back)) !== text) throw new Error(text);
      }),
    );
    expect(contract.addBooking.body).toBe(bookingFields);
  });

  it('is refused where the guest would leave before arriving', () => {
    fc.assert(
      fc.property(anyBooking, fc.integer({ min: 0, max: DAY_S }), (booking, leavesBy) => {
        const wire = z.encode(bookingFields, { ...booking, leavesBy: booking.arrives + 1 });
        const result = bookingFields.safeParse({ ...wire, leavesBy: z.encode(bookingFields.shape.leavesBy, leavesBy) });
        return result.success === booking.arrives < leavesBy;
      }),
    );
    expect(bookingFields.safeParse({}).success).toBeFalse();
  });
});

describe('The contract', () => {
  const endpoints = Object.entries(contract) as [string, Endpoint][];

  it('names every parameter of a path, and no other', () => {
    const wrong = endpoints.filter(([, { path, params }]) => {
      const inPath = [...path.matchAll(/:(\w+)/g)].map((match) => match[1]);
      return JSON.stringify(inPath.sort()) !== JSON.stringify(Object.keys(params?.shape ?? {}).sort());
    });
    expect(wrong.map(([name]) => name)).toEqual([]);
  });

  it('has each path and method once', () => {
    const places = endpoints.map(([, { method, path }]) => `${method} ${path}`);
    expect(new Set(places).size).toBe(places.length);
  });

  it('describes times as the wall clock that travels, not as the seconds inside', () => {
    const document = JSON.stringify(openApiDocument());
    expect(document).toContain('24:00');
    expect(document).not.toContain('$schema');
  });
});
