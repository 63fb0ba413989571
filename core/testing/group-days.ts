import type { Car, Day, Guest, Instructor } from '../day';
import type { Group, Surface, FollowProgramme, LowGripProgramme, ThrottleProgramme } from '../programmes';
import { STOPPED_CHANGE_S } from '../programmes/ordinary';
import type { Random } from '../planner';
import { randomDay } from './random-day';
import { at } from './small-day';

/** Days with groups and rides: the ways to drive beside the coached drive. */

const allDay = { from: at('08:30'), to: at('18:00') };

export const OVAL: Surface = {
  id: 'oval',
  name: 'Oval',
  kind: 'oval',
  lapLengthM: 900,
  limit: 2,
  available: [allDay],
  closures: [],
};
export const PAN: Surface = { id: 'pan', name: 'Pan', kind: 'pan', limit: 8, available: [allDay], closures: [] };

export const TRAIN: FollowProgramme = {
  kind: 'follow',
  laps: 8,
  warmUpLaps: 1,
  coolDownLaps: 1,
  gentleFactor: 1.2,
  change: { after: 2, how: 'stopped', takesS: STOPPED_CHANGE_S },
};

export const STEPS: ThrottleProgramme = {
  kind: 'throttle',
  steps: [
    { percent: 50, laps: 2, lapS: 42 },
    { percent: 75, laps: 2, lapS: 36 },
    { percent: 100, laps: 3, lapS: 31 },
  ],
  startS: 60,
  finishS: 120,
  carsOut: 2,
};

export const STATIONS: LowGripProgramme = {
  kind: 'lowGrip',
  leadLaps: 1,
  leadLapS: 150,
  stations: [
    { name: 'Slalom', kind: 'slalom', runS: 60 },
    { name: 'Circle', kind: 'circle', runS: 60 },
    { name: 'Full course', kind: 'course', runS: 75 },
  ],
  teams: 3,
  runsEach: 1,
  changeS: 40,
  walkS: 120,
};

/** A group of these guests; a train on the circuit where nothing else is said. */
export function aGroup(change: Partial<Group> & Pick<Group, 'id' | 'members' | 'cars'>): Group {
  return {
    name: `Group ${change.id}`,
    programme: TRAIN,
    surface: 'circuit',
    roles: [{ role: 'lead', count: 1 }],
    setUpS: 600,
    wrapUpS: 300,
    needsBriefing: true,
    ...change,
  };
}

/** The same instructors, able to do whatever a group may ask of them. */
export function ableForGroups(instructors: readonly Instructor[]): Instructor[] {
  return instructors.map((of) => ({
    ...of,
    rides: true,
    duties: ['lead', 'inTrain', 'spotter', 'marshal', 'blocker', 'push'],
  }));
}

function newcomer(id: string, arrives: string, pace: number): Guest {
  return {
    id,
    name: `Guest ${id}`,
    arrives: at(arrives),
    languages: ['en'],
    pace,
    briefed: false,
    sighted: false,
    drives: [],
  };
}

/**
 * A day of so many coached drives and, beside them, two trains, an hour on the oval, a rotation of three teams on the pan and so
 * many rides, half of them of guests who drive as well.
 */
export function mixedDay(random: Random, drives = 60, rides = 10): Day {
  const day = randomDay(random, { drives, cars: 9, instructors: 11 });
  const groupGuests = (prefix: string, count: number, arrives: string) =>
    Array.from({ length: count }, (_, i) => newcomer(`${prefix}${i + 1}`, arrives, i % 2 === 0 ? 1.1 : 1.2));
  const [first, second] = [groupGuests('t', 4, '09:00'), groupGuests('u', 3, '13:00')];
  const [oval, pan] = [groupGuests('o', 6, '10:00'), groupGuests('p', 9, '13:30')];
  const ids = (guests: readonly Guest[]) => guests.map(({ id }) => id);
  const cars: Car[] = [
    ...day.cars.map((car): Car => ({ ...car, ride: { lapTimeS: car.lapTimeS - 8, seats: 1 } })),
    ...['c20', 'c21', 'c22', 'c23', 'c24', 'c25'].map((id): Car => ({
      ...day.cars[0]!,
      id,
      name: `Car ${id}`,
      gearboxes: ['auto'],
      available: [allDay],
      fuel: { capacityL: 70, startL: 60, reserveL: 10, perLapL: 1.5, refuelS: 480 },
      cooling: { afterLaps: 30, restS: 900 },
      fit: undefined,
    })),
  ];
  const own = ['c20', 'c21', 'c22', 'c23', 'c24', 'c25'];
  const riders = Array.from({ length: rides }, (_, i): Guest => ({
    ...newcomer(`r${i + 1}`, i % 2 === 0 ? '11:00' : '14:30', 1.2),
    drives: [{ id: `r${i + 1}-ride`, cars: day.cars.slice(0, 3).map(({ id }) => id), laps: 2, ride: { seats: 1 } }],
  }));
  return {
    ...day,
    version: 2,
    cars,
    instructors: ableForGroups(
      day.instructors.map((of) => ({ ...of, languages: [...new Set(['en', ...of.languages])] })),
    ),
    guests: [...day.guests, ...first, ...second, ...oval, ...pan, ...riders],
    rules: { ...day.rules, maxCarsOnTrack: 8, rides: { setUpS: 120, wrapUpS: 120, mostBeside: 5 } },
    surfaces: [OVAL, PAN],
    groups: [
      aGroup({ id: 'train-1', members: ids(first), cars: own.slice(1), leadCars: ['c20'], notBefore: at('10:00') }),
      aGroup({ id: 'train-2', members: ids(second), cars: own.slice(1), leadCars: ['c20'], notBefore: at('14:00') }),
      aGroup({
        id: 'oval',
        members: ids(oval),
        cars: own,
        programme: STEPS,
        surface: 'oval',
        roles: [
          { role: 'spotter', count: 1 },
          { role: 'blocker', count: 1 },
        ],
      }),
      aGroup({
        id: 'pan',
        members: ids(pan),
        cars: own,
        programme: STATIONS,
        surface: 'pan',
        roles: [
          { role: 'lead', count: 1 },
          { role: 'spotter', count: 2 },
        ],
        notBefore: at('14:30'),
      }),
    ],
  };
}
