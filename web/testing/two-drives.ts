import type { Day, Plan } from '@core/day';
import { aCar, aDay, aGuest, anInstructor, aPlan, drive } from '@core/testing/small-day';
import { aBooking, FakeDay } from './fake-day';

/** A day with two drives of two guests, briefed, in two cars, before it has begun. */
export const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({ drives: [{ id: 'd1', cars: ['c1', 'c2'], laps: 5 }] }),
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] }),
  ],
});
export const plan = aPlan({
  drives: [drive('10:00'), drive('10:10', { drive: 'd2', car: 'c2', instructor: 'i2' })],
});
export const theDay = (of: Day = day, planned: Plan = plan) =>
  new FakeDay(of, planned, '08:10', [
    aBooking('g1', { name: 'Ines Faro', drives: day.guests[0]!.drives }),
    aBooking('g2', { name: 'Piet Verhoeve' }),
  ]);

/** Lets replies and drawings settle. */
export const settle = () => new Promise((resolve) => setTimeout(resolve, 20));
