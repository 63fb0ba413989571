import fc from 'fast-check';
import type { Day } from '../day';
import { aCar, aDay, aGuest, anInstructor } from './small-day';
import type { EntryFields } from './written-journal';

const names = ['1', '2', '3'];
const base = aDay({
  cars: names.map((n) => aCar({ id: `c${n}`, name: `Car ${n}` })),
  instructors: names.map((n) => anInstructor({ id: `i${n}`, name: `Instructor ${n}` })),
  guests: names.map((n) =>
    aGuest({
      id: `g${n}`,
      name: `Guest ${n}`,
      briefed: n === '1',
      sighted: n === '1',
      drives: [{ id: `d${n}`, cars: ['c1', 'c2', 'c3'], laps: 3 }],
    }),
  ),
});
/** Three of everything, two cars at once. */
export const TAPPED_DAY: Day = { ...base, rules: { ...base.rules, maxCarsOnTrack: 2 } };

const one = fc.constantFrom(...names);
const guest = one.map((n) => `g${n}`);
const drive = one.map((n) => `d${n}`);
const car = one.map((n) => `c${n}`);
const instructor = one.map((n) => `i${n}`);

/** Anything that somebody might tap, sensible or not. */
export const tap: fc.Arbitrary<EntryFields> = fc.oneof(
  ...(
    [
      'guestArrived',
      'waiverSigned',
      'licenceSeen',
      'helmetFitted',
      'guestNoShow',
      'guestLeft',
      'guestUnwell',
      'guestWell',
      'deskDone',
    ] as const
  ).map((kind) => guest.map((id): EntryFields => ({ kind, guest: id }))),
  ...(['unseated', 'released', 'broughtIn', 'parked', 'debriefed', 'extraLapGranted'] as const).map((kind) =>
    drive.map((id): EntryFields => ({ kind, drive: id })),
  ),
  drive.map((id): EntryFields => ({ kind: 'lapCounted', drive: id, source: 'hand' })),
  fc
    .tuple(drive, fc.integer({ min: 1, max: 5 }))
    .map(([id, lap]): EntryFields => ({ kind: 'lapSpoiled', drive: id, lap, reason: 'traffic' })),
  fc.record({ kind: fc.constant('seated' as const), drive, car, instructor }),
  fc
    .tuple(instructor, fc.uniqueArray(guest, { minLength: 1 }))
    .map(([id, guests]): EntryFields => ({ kind: 'classBegan', instructor: id, guests })),
  fc
    .tuple(instructor, fc.uniqueArray(guest))
    .map(([id, guests]): EntryFields => ({ kind: 'classEnded', instructor: id, guests })),
  fc
    .tuple(instructor, fc.uniqueArray(guest, { minLength: 1 }))
    .map(([id, guests]): EntryFields => ({ kind: 'sightingBegan', vehicle: 's1', instructor: id, guests })),
  fc.constant<EntryFields>({ kind: 'sightingEnded', vehicle: 's1' }),
  car.map((id): EntryFields => ({ kind: 'carHeld', car: id, reason: 'tyre' })),
  car.map((id): EntryFields => ({ kind: 'carReady', car: id })),
  ...(['refuelBegan', 'refuelEnded'] as const).map((kind) => car.map((id): EntryFields => ({ kind, car: id }))),
  instructor.map((id): EntryFields => ({ kind: 'breakBegan', instructor: id, what: 'rest' })),
  instructor.map((id): EntryFields => ({ kind: 'crewBack', instructor: id })),
);
