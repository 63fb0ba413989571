import { emptyPlan, ORDINARY_RULES, type Car, type Day, type Guest, type Instructor, type Plan } from '../day';
import { secondsOf } from '../values';

/** Seconds of a wall-clock text, for tests that read like a day sheet. */
export const at = secondsOf;
export const aCar = (more: Partial<Car> = {}): Car => ({
  id: 'c1',
  name: 'Dunnock Cup',
  level: 1,
  lapTimeS: 80,
  gearboxes: ['auto', 'paddle'],
  available: [{ from: at('08:00'), to: at('18:00') }],
  fuel: { capacityL: 60, startL: 60, reserveL: 10, perLapL: 1, refuelS: 480 },
  cooling: { afterLaps: 40, restS: 900 },
  ...more,
});

export const anInstructor = (more: Partial<Instructor> = {}): Instructor => ({
  id: 'i1',
  name: 'Anselm Holt',
  cars: 'all',
  languages: ['en'],
  available: [{ from: at('08:00'), to: at('18:00') }],
  maxSeatS: 5400,
  restS: 900,
  meal: { from: at('11:30'), to: at('14:00'), durationS: 1800 },
  maxLaps: 130,
  brief: true,
  sighting: true,
  ...more,
});

/** A guest who is briefed and knows the circuit, with one drive of five laps. */
export const aGuest = (more: Partial<Guest> = {}): Guest => ({
  id: 'g1',
  name: 'Ines Faro',
  arrives: at('09:00'),
  languages: ['en'],
  pace: 1,
  briefed: true,
  sighted: true,
  drives: [{ id: 'd1', cars: ['c1'], laps: 5 }],
  ...more,
});

/** One car, one instructor, one guest; a lap takes 80 s, so a drive of five laps 400 s. */
export const aDay = (more: Partial<Day> = {}): Day => ({
  format: 'joylap-day',
  version: 1,
  venue: 'Test field',
  date: '2027-05-22',
  timeZone: 'Atlantic/Faroe',
  opens: at('08:00'),
  closes: at('18:00'),
  condition: { name: 'dry', paceFactor: 1 },
  circuit: { name: 'Loop', lapLengthM: 2000, closures: [] },
  rules: { ...ORDINARY_RULES, briefing: { durationS: 1500, seats: 8, rooms: 1 } },
  cars: [aCar()],
  sightingVehicles: [
    { id: 's1', name: 'Heron', seats: 3, lapTimeS: 100, available: [{ from: at('08:00'), to: at('18:00') }] },
  ],
  instructors: [anInstructor()],
  guests: [aGuest()],
  ...more,
});

export const aPlan = (more: Partial<Plan> = {}): Plan => ({ ...emptyPlan('2027-05-22'), ...more });

/** A planned drive, by default of the guest of `aDay` at ten. */
export const drive = (release: string, more: Partial<Plan['drives'][number]> = {}): Plan['drives'][number] => ({
  drive: 'd1',
  car: 'c1',
  instructor: 'i1',
  release: at(release),
  ...more,
});
