import fc from 'fast-check';
import { bookingFields, type BookingFields } from './booking-fields';
import { joinedBooking, splitBooking } from './split';

const booked = (more: Record<string, unknown> = {}): BookingFields =>
  bookingFields.parse({
    reference: 'A1',
    name: 'Ines Faro',
    languages: ['en'],
    arrives: '09:10',
    pace: 'first',
    sequence: 'any',
    heightCm: 171,
    email: 'ines@example.org',
    price: 300,
    paid: 100,
    briefed: false,
    sighted: false,
    avoidInstructors: [],
    preferInstructors: [],
    drives: [
      { id: 'd1', cars: ['c1'], laps: 5 },
      { id: 'd2', cars: ['c2'], laps: 5 },
      { id: 'd3', cars: ['c2'], laps: 7 },
    ],
    ...more,
  });
const off = { reference: 'A1b', name: 'Piet Verhoeve', price: 120, paid: 40 };

describe('A booking that is split', () => {
  it('gives drives, price and what was paid to somebody else, and nothing that only the first has said', () => {
    const parts = splitBooking(booked(), { ...off, drives: ['d2'] });
    if ('code' in parts) throw new Error(parts.code);
    expect(parts.left.drives.map(({ id }) => id)).toEqual(['d1', 'd3']);
    expect([parts.left.price, parts.left.paid, parts.off.price, parts.off.paid]).toEqual([180, 60, 120, 40]);
    expect([parts.off.name, parts.off.heightCm, parts.off.email]).toEqual(['Piet Verhoeve', undefined, undefined]);
    expect(parts.left.party).toBe(parts.off.party);
  });

  it('leaves a drive to each, and never costs more than before', () => {
    expect(splitBooking(booked(), { ...off, drives: ['d1', 'd2', 'd3'] })).toEqual(
      jasmine.objectContaining({ code: 'nothingSplit' }),
    );
    expect(splitBooking(booked(), { ...off, drives: ['d9'] })).toEqual(
      jasmine.objectContaining({ code: 'nothingSplit' }),
    );
    const dearer = splitBooking(booked(), { ...off, drives: ['d1'], price: 301 });
    expect(dearer).toEqual(jasmine.objectContaining({ code: 'splitCostsMore' }));
  });

  it('and joined again costs, has paid and drives what it did', () => {
    const cents = fc.integer({ min: 0, max: 30_000 }).map((amount) => amount / 100);
    fc.assert(
      fc.property(cents, fc.subarray(['d1', 'd2', 'd3'], { minLength: 1, maxLength: 2 }), (price, drives) => {
        const parts = splitBooking(booked(), {
          ...off,
          price,
          paid: price / 10 > 100 ? 100 : Math.round(price * 10) / 100,
          drives,
        });
        if ('code' in parts) throw new Error(parts.code);
        const again = joinedBooking(parts.left, parts.off);
        expect([again.price, again.paid]).toEqual([300, 100]);
        expect(again.drives.map(({ id }) => id).sort()).toEqual(['d1', 'd2', 'd3']);
        for (const one of [parts.left, parts.off, again])
          expect(bookingFields.safeParse({ ...one, arrives: '09:10' }).success).toBe(true);
      }),
    );
  });
});
