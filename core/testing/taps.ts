import fc from 'fast-check';
import type { Day } from '../day';
import { aGroup, OVAL, PAN, STATIONS, STEPS } from './group-days';
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
export const TAPPED_DAY: Day = {
  ...base,
  version: 2,
  rules: { ...base.rules, maxCarsOnTrack: 2 },
  surfaces: [OVAL, PAN],
  groups: [
    aGroup({ id: 'train', members: ['g1', 'g2'], cars: ['c1', 'c2'] }),
    aGroup({ id: 'oval', members: ['g2', 'g3'], cars: ['c1', 'c3'], programme: STEPS, surface: 'oval' }),
    aGroup({ id: 'pan', members: ['g3'], cars: ['c2'], programme: STATIONS, surface: 'pan', needsBriefing: false }),
  ],
};
const GROUPS = ['train', 'oval', 'pan'];

const one = fc.constantFrom(...names);
const guest = one.map((n) => `g${n}`);
const drive = one.map((n) => `d${n}`);
const car = one.map((n) => `c${n}`);
const instructor = one.map((n) => `i${n}`);
const group = fc.constantFrom(...GROUPS);
const member = { group, guest };
const truth = fc.boolean();

/** What somebody with a group might tap. */
const groupTap: fc.Arbitrary<EntryFields> = fc.oneof(
  fc
    .tuple(group, fc.uniqueArray(guest, { minLength: 1 }), fc.uniqueArray(car, { minLength: 1 }), instructor)
    .map(([id, guests, cars, lead]): EntryFields => {
      return { kind: 'groupBegan', group: id, guests, cars, crew: [{ role: 'lead', instructor: lead }] };
    }),
  ...(['groupReleased', 'groupLapCounted', 'groupGoes', 'groupEnded'] as const).map((kind) =>
    group.map((id): EntryFields => ({ kind, group: id })),
  ),
  fc.record({ kind: fc.constant('groupOrdered' as const), group, order: fc.uniqueArray(guest) }),
  fc.record({ kind: fc.constant('groupStopped' as const), group, reason: fc.constant('a car stands') }),
  fc.record({
    ...{ kind: fc.constant('memberOut' as const), ...member },
    why: fc.constantFrom('dropsBack' as const, 'leaves' as const, 'pauses' as const),
  }),
  ...(['memberBack', 'radioLost', 'turnLapCounted'] as const).map((kind) =>
    fc.record({ kind: fc.constant(kind), ...member }),
  ),
  fc.record({ kind: fc.constant('radioTested' as const), ...member, answered: truth }),
  fc.record({
    ...{ kind: fc.constant('spacingCalled' as const), ...member },
    say: fc.constantFrom('closer' as const, 'moreRoom' as const),
  }),
  fc.record({ kind: fc.constant('turnBegan' as const), ...member, car }),
  fc.record({
    ...{ kind: fc.constant('stepSet' as const), ...member, step: fc.nat({ max: 4 }) },
    ...{ line: truth, smooth: truth, answers: truth },
  }),
  fc.record({ kind: fc.constant('turnEnded' as const), ...member, brakes: truth }),
  fc.record({
    ...{ kind: fc.constant('stationRun' as const), ...member, passed: truth },
    station: fc.constantFrom('Slalom', 'Full course', 'Nowhere'),
    ...{ spins: fc.nat({ max: 3 }), stops: fc.nat({ max: 3 }) },
  }),
  fc.record({
    ...{ kind: fc.constant('stationOpened' as const), ...member, station: fc.constant('Full course') },
    reason: fc.constant('has done it before'),
  }),
);

/** Anything that somebody might tap, sensible or not. */
export const tap: fc.Arbitrary<EntryFields> = fc.oneof(
  groupTap,
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
