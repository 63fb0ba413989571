import { aCar, aDay, aGuest, anInstructor, aPlan, drive } from '@core/testing/small-day';
import { FakeDay } from './fake-day';

/** Two guests; one of them has a drive that is planned and one that is left out. */
export const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({
      name: 'Ines Faro',
      drives: [
        { id: 'd1', cars: ['c1'], laps: 5 },
        { id: 'd3', cars: ['c1'], laps: 5 },
      ],
    }),
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] }),
  ],
});
const plan = aPlan({
  drives: [drive('10:00'), drive('11:00', { drive: 'd2', car: 'c2', instructor: 'i2' })],
  unplanned: [{ drive: 'd3', reason: 'Dunnock Cup is taken until 18:00; another car would do.' }],
});
export const dayAt = (time: string) => new FakeDay(day, plan, time);
