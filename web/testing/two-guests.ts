import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '@core/testing/small-day';
import { aBooking, FakeDay } from './fake-day';

/** A day with two guests, who need class and sighting run, in two cars. */
export const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({ briefed: false, sighted: false }),
    aGuest({
      id: 'g2',
      name: 'Piet Verhoeve',
      arrives: at('09:10'),
      briefed: false,
      sighted: false,
      drives: [{ id: 'd2', cars: ['c2'], laps: 2 }],
    }),
  ],
});
export const plan = aPlan({
  briefings: [{ start: at('09:20'), instructor: 'i1', guests: ['g1', 'g2'] }],
  sightings: [{ release: at('09:55'), vehicle: 's1', instructor: 'i1', guests: ['g1', 'g2'] }],
  drives: [drive('10:15'), drive('10:20', { drive: 'd2', car: 'c2', instructor: 'i2' })],
});
export const dayAt = (time: string) =>
  new FakeDay(day, plan, time, [aBooking('g1', { healthNote: 'Motion sickness once' }), aBooking('g2', { paid: 100 })]);

/** Up to both guests having seen the circuit. */
export function seen(it = dayAt('10:10')): FakeDay {
  it.clear('g1', '09:00');
  it.clear('g2', '09:10');
  it.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1', 'g2'] }, '09:20');
  it.record({ kind: 'classEnded', instructor: 'i1', guests: ['g1', 'g2'] }, '09:45');
  it.record({ kind: 'sightingBegan', vehicle: 's1', instructor: 'i1', guests: ['g1', 'g2'] }, '09:55');
  it.record({ kind: 'sightingEnded', vehicle: 's1' }, '10:00');
  return it;
}

/** Piet in car 2 with Ife, let out at 10:20, the clock as told. */
export function running(time: string): FakeDay {
  const it = seen();
  it.record({ kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' }, '10:12');
  it.record({ kind: 'released', drive: 'd2' }, '10:20');
  it.clockS.set(at(time));
  return it;
}
