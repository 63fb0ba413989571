import { FRIEND_WISHES } from '../day/friends';
import type { Car, Day, Drive, Guest, Instructor, Plan, PlannedDrive, PlannedGroup, Repair } from '../day';
import type { Group, Surface } from '../programmes';
import type { RuleCode } from '../rules';
import type { TermName } from '../cost';
import type { Random } from '../planner';
import { ableForGroups, aGroup, PAN, STATIONS } from './group-days';
import { randomDay } from './random-day';
import { at } from './small-day';

/** Days on which a rule or a cost term binds, and how a plan of such a day comes near to breaking the rule. */
export interface BindingDay {
  readonly day: (random: Random) => Day;
  /** Changes a good plan a little; what comes out is sometimes allowed and sometimes not. */
  readonly change: (random: Random, plan: Plan, day: Day) => Plan;
  /** A repair in which the changed plan is judged. */
  readonly repair?: (plan: Plan) => Repair;
}

const all = { from: at('08:00'), to: at('20:00') };

/** A day of a few drives on which nothing is in the way but what is put there. */
function easyDay(random: Random, change: Partial<Changes> = {}): Day {
  const day = randomDay(random, { drives: 12, cars: 3, instructors: 4 });
  const car = (of: Car): Car => ({
    ...of,
    available: [all],
    gearboxes: ['auto', 'paddle'],
    fuel: { ...of.fuel, startL: 70, readings: undefined },
    cooling: { afterLaps: 100, restS: 300 },
    fit: undefined,
  });
  const instructor = (of: Instructor): Instructor => ({
    ...of,
    cars: 'all',
    languages: ['en', 'de', 'fr', 'ja', 'pt'],
    available: [all],
    maxSeatS: 36_000,
    maxLaps: 500,
    meal: { from: at('08:00'), to: at('20:00'), durationS: 60 },
    levelLaps: undefined,
    brief: true,
    sighting: true,
  });
  const guest = (of: Guest): Guest => ({
    ...of,
    arrives: at('08:30'),
    leavesBy: undefined,
    languages: ['en'],
    heightCm: 175,
    weightKg: 75,
    briefed: true,
    sighted: true,
    sequence: 'any',
    avoidInstructors: [],
    ...Object.fromEntries(FRIEND_WISHES.map((wish) => [wish, undefined])),
    drives: of.drives.map(({ id, laps }) => ({ id, laps, cars: day.cars.map((one) => one.id) })),
  });
  const easy: Day = {
    ...day,
    opens: at('08:00'),
    closes: at('20:00'),
    circuit: { ...day.circuit, closures: [] },
    rules: { ...day.rules, maxCarsOnTrack: 10, refuelBays: 4 },
    cars: day.cars.map((of, i) => ({ ...car(of), ...change.car?.(car(of), i) })),
    instructors: day.instructors.map((of, i) => ({ ...instructor(of), ...change.instructor?.(instructor(of), i) })),
    guests: day.guests.map((of, i) => ({ ...guest(of), ...change.guest?.(guest(of), i) })),
  };
  return { ...easy, ...change.day?.(easy) };
}

interface Changes {
  readonly car: (of: Car, i: number) => Partial<Car>;
  readonly instructor: (of: Instructor, i: number) => Partial<Instructor>;
  readonly guest: (of: Guest, i: number) => Partial<Guest>;
  readonly day: (of: Day) => Partial<Day>;
}

const pick = <T>(random: Random, of: readonly T[]): T | undefined => of[Math.floor(random() * of.length)];

/** Changes one of a list. */
function changeOne<T>(random: Random, of: readonly T[], change: (one: T) => T): T[] {
  const chosen = pick(random, of);
  return of.map((one) => (one === chosen ? change(one) : one));
}

const ofDrive =
  (change: (random: Random, planned: PlannedDrive, day: Day, plan: Plan) => Partial<PlannedDrive>) =>
  (random: Random, plan: Plan, day: Day): Plan => ({
    ...plan,
    drives: changeOne(random, plan.drives, (planned) => ({ ...planned, ...change(random, planned, day, plan) })),
  });

/** To another time, within so many minutes. */
const laterOrSooner = (minutes: number) =>
  ofDrive((random, { release }) => ({ release: release + Math.round((2 * random() - 1) * minutes * 60) }));
/** Close to another drive. */
const besideAnother = (secondsApart: number) =>
  ofDrive((random, _, __, { drives }) => ({
    release: pick(random, drives)!.release + Math.round((2 * random() - 1) * secondsApart),
  }));
const anyCar = ofDrive((random, _, { cars }) => ({ car: pick(random, cars)!.id }));
const anyInstructor = ofDrive((random, _, { instructors }) => ({ instructor: pick(random, instructors)!.id }));

const either =
  (...changes: readonly BindingDay['change'][]): BindingDay['change'] =>
  (random, plan, day) =>
    pick(random, changes)!(random, plan, day);

const same: BindingDay['change'] = (_, plan) => plan;
const late = (of: Drive): Drive => ({ ...of, notBefore: at('11:00') });
const toLearn = { briefed: false, sighted: false };
const thirsty = (of: Car): Partial<Car> => ({ fuel: { ...of.fuel, capacityL: 40, startL: 22, perLapL: 1.6 } });

/** Two groups on one surface, with guests, cars and people of their own, beside the drives of others. */
function groupedDay(random: Random, change: Partial<Group> = {}, surface: Partial<Surface> = {}): Day {
  const day = easyDay(random, { day: () => ({ closes: at('14:00') }) });
  const guests = ['a1', 'a2', 'b1', 'b2'].map((id): Guest => ({ ...day.guests[0]!, id, drives: [] }));
  const of = (id: string, members: readonly string[], car: string): Group =>
    aGroup({ id, members: [...members], cars: [car], programme: { ...STATIONS, teams: 1 }, surface: 'pan', ...change });
  const own = (id: string) => ({ ...day.cars[0]!, id });
  const people = ['ia', 'ib', 'ic'].map((id): Instructor => ({ ...day.instructors[0]!, id }));
  return {
    ...day,
    version: 2,
    cars: [...day.cars, own('ca'), own('cb')],
    guests: [...day.guests, ...guests],
    instructors: [...day.instructors, ...ableForGroups(people)],
    surfaces: [{ ...PAN, available: [all], ...surface }],
    groups: [of('one', ['a1', 'a2'], 'ca'), of('two', ['b1', 'b2'], 'cb')],
  };
}

const ofGroup =
  (change: (random: Random, one: PlannedGroup, day: Day) => Partial<PlannedGroup>): BindingDay['change'] =>
  (random, plan, day) => ({
    ...plan,
    groups: changeOne(random, plan.groups ?? [], (one) => ({ ...one, ...change(random, one, day) })),
  });
/** A group to another time, within so many minutes. */
const groupTo = (minutes: number) =>
  ofGroup((random, { release }) => ({ release: release + Math.round((2 * random() - 1) * minutes * 60) }));

/** For every rule, days on which it binds: a rule without some does not compile. */
export const BINDING_DAYS: Readonly<Record<RuleCode, BindingDay>> = {
  HOURS: {
    day: (random) => easyDay(random, { day: () => ({ closes: at('12:00') }) }),
    change: laterOrSooner(240),
  },
  GUEST_PRESENT: {
    day: (random) =>
      easyDay(random, { guest: (_, i) => ({ arrives: at('09:00') + 900 * i, leavesBy: at('13:00') + 900 * i }) }),
    change: laterOrSooner(120),
  },
  GUEST_ORDER: {
    day: (random) => easyDay(random, { guest: (_, i) => (i % 2 === 0 ? toLearn : { sequence: 'asListed' }) }),
    change: laterOrSooner(120),
  },
  GUEST_REST: {
    day: (random) => easyDay(random, { day: ({ rules }) => ({ rules: { ...rules, guestRestS: 1200 } }) }),
    change: besideAnother(1800),
  },
  GUEST_ONCE: {
    day: (random) =>
      easyDay(random, { guest: ({ drives }, i) => (i % 2 === 0 ? toLearn : { drives: drives.map(late) }) }),
    change: (random, plan, day) => ({
      ...plan,
      briefings: changeOne(random, plan.briefings, (one) => ({
        ...one,
        guests: [...new Set([...one.guests, pick(random, day.guests)!.id])],
      })),
    }),
  },
  CAR_FREE: { day: (random) => easyDay(random), change: either(anyCar, besideAnother(600)) },
  CAR_FIT: {
    day: (random) =>
      easyDay(random, {
        car: (_, i) => ({ fit: i < 2 ? { maxHeightCm: 180 } : undefined }),
        guest: ({ drives }, i) => ({
          heightCm: i % 2 === 0 ? 190 : 170,
          drives: drives.map((drive) => ({ ...drive, gearbox: 'auto' as const })),
        }),
      }),
    change: anyCar,
  },
  CAR_FUEL: {
    day: (random) => easyDay(random, { car: thirsty }),
    change: (random, plan) => ({ ...plan, refuels: plan.refuels.filter(() => random() < 0.6) }),
  },
  CAR_COOLING: {
    day: (random) => easyDay(random, { car: () => ({ cooling: { afterLaps: 14, restS: 1800 } }) }),
    change: either(laterOrSooner(40), anyCar),
  },
  REFUEL_BAYS: {
    day: (random) => easyDay(random, { car: thirsty, day: ({ rules }) => ({ rules: { ...rules, refuelBays: 1 } }) }),
    change: (random, plan) => ({
      ...plan,
      refuels: changeOne(random, plan.refuels, (one) => ({
        ...one,
        start: pick(random, plan.refuels)!.start + Math.round((2 * random() - 1) * 700),
      })),
    }),
  },
  CREW_FREE: { day: (random) => easyDay(random), change: either(anyInstructor, besideAnother(900)) },
  CREW_SKILL: {
    day: (random) => easyDay(random, { instructor: (_, i) => ({ cars: i === 0 ? 'all' : [`c${i}`] }) }),
    change: either(anyInstructor, anyCar),
  },
  CREW_LANGUAGE: {
    day: (random) =>
      easyDay(random, {
        instructor: (_, i) => ({ languages: i % 2 === 0 ? ['en'] : ['ja'] }),
        guest: (_, i) => ({ languages: i % 3 === 0 ? ['ja'] : ['en'] }),
      }),
    change: anyInstructor,
  },
  CREW_AVOID: {
    day: (random) => easyDay(random, { guest: () => ({ avoidInstructors: ['i1', 'i2'] }) }),
    change: anyInstructor,
  },
  CREW_REST: {
    day: (random) => easyDay(random, { instructor: () => ({ maxSeatS: 2400, restS: 1200 }) }),
    change: either(laterOrSooner(30), anyInstructor),
  },
  CREW_MEAL: {
    day: (random) =>
      easyDay(random, {
        instructor: () => ({ meal: { from: at('09:00'), to: at('10:00'), durationS: 2400 } }),
        day: () => ({ closes: at('12:30') }),
      }),
    change: either(laterOrSooner(60), anyInstructor),
  },
  CREW_LAPS: {
    day: (random) =>
      easyDay(random, { instructor: (_, i) => ({ maxLaps: 26, levelLaps: i === 0 ? { '5': 6 } : undefined }) }),
    change: anyInstructor,
  },
  PIN: {
    day: (random) =>
      easyDay(random, {
        guest: ({ drives }, i) => ({
          drives: drives.map((drive) => ({ ...drive, pin: i % 2 === 0 ? { car: 'c1', instructor: 'i1' } : undefined })),
        }),
      }),
    change: either(anyCar, anyInstructor),
  },
  TRACK_GAP: {
    day: (random) => easyDay(random, { day: ({ rules }) => ({ rules: { ...rules, releaseGapS: 120 } }) }),
    change: besideAnother(200),
  },
  TRACK_LOAD: {
    day: (random) => easyDay(random, { day: ({ rules }) => ({ rules: { ...rules, maxCarsOnTrack: 1 } }) }),
    change: besideAnother(900),
  },
  TRACK_CLOSED: {
    day: (random) =>
      easyDay(random, {
        day: ({ circuit }) => ({
          circuit: { ...circuit, closures: [{ from: at('09:20'), to: at('10:20'), reason: 'fog' }] },
        }),
      }),
    change: laterOrSooner(90),
  },
  ROOM: {
    day: (random) =>
      easyDay(random, {
        guest: () => toLearn,
        day: ({ rules }) => ({ rules: { ...rules, briefing: { ...rules.briefing, rooms: 1, seats: 2 } } }),
      }),
    change: either(same, (random, plan) => ({
      ...plan,
      briefings: changeOne(random, plan.briefings, (one) => ({
        ...one,
        start: pick(random, plan.briefings)!.start + Math.round((2 * random() - 1) * 1600),
      })),
    })),
  },
  SEATS: {
    day: (random) =>
      easyDay(random, {
        guest: () => toLearn,
        day: ({ sightingVehicles }) => ({
          sightingVehicles: sightingVehicles.slice(0, 1).map((of) => ({ ...of, seats: 2, available: [all] })),
        }),
      }),
    change: (random, plan) => ({
      ...plan,
      sightings: changeOne(random, plan.sightings, (one) => ({
        ...one,
        release: pick(random, plan.sightings)!.release + Math.round((2 * random() - 1) * 900),
      })),
    }),
  },
  SURFACE_OPEN: {
    day: (random) => groupedDay(random, {}, { closures: [{ from: at('09:30'), to: at('10:30'), reason: 'washing' }] }),
    change: groupTo(90),
  },
  SURFACE_LOAD: {
    day: (random) => groupedDay(random, { carCount: 1 }, { limit: 1 }),
    change: groupTo(60),
  },
  GROUP_TIME: {
    day: (random) => groupedDay(random, { notBefore: at('09:30'), endsBy: at('11:30') }),
    change: groupTo(60),
  },
  GROUP_CARS: {
    day: (random) => groupedDay(random, { leadCars: ['c1'], cars: ['ca', 'cb'], carCount: 1 }),
    change: ofGroup((random, _, { cars }) => {
      const any = () => pick(random, cars)!.id;
      return random() < 0.5 ? { leadCar: any() } : { cars: random() < 0.3 ? [] : [any()] };
    }),
  },
  GROUP_CREW: {
    day: (random) =>
      groupedDay(random, {
        roles: [
          { role: 'lead', count: 1, people: ['ia', 'ib'] },
          { role: 'spotter', count: 1 },
        ],
      }),
    change: ofGroup((random, one, { instructors }) => ({
      crew: one.crew.flatMap((post) =>
        random() < 0.1 ? [] : [random() < 0.4 ? { ...post, instructor: pick(random, instructors)!.id } : post],
      ),
    })),
  },
  RIDE_MEETING: {
    day: (random) =>
      easyDay(random, {
        car: (of) => ({ ride: { lapTimeS: of.lapTimeS, seats: 1 } }),
        instructor: () => ({ rides: true }),
        guest: ({ drives }, i) => ({
          drives: i % 2 === 0 ? drives.map((of) => ({ ...of, ride: { seats: 1 } })) : drives,
        }),
        day: ({ rules }) => ({
          version: 2,
          rules: {
            ...rules,
            rides: { setUpS: 60, wrapUpS: 60, mostBeside: 0, only: [{ from: at('08:30'), to: at('11:00') }] },
          },
        }),
      }),
    change: either(besideAnother(900), laterOrSooner(120)),
  },
  COMPLETE: {
    day: (random) => easyDay(random),
    change: (random, plan) => ({
      ...plan,
      drives:
        random() < 0.5
          ? plan.drives.filter(() => random() < 0.9)
          : changeOne(random, plan.drives, (one) => ({ ...one, drive: random() < 0.5 ? 'gone' : one.drive })),
    }),
  },
  REPAIR_STANDS: {
    day: (random) => easyDay(random),
    change: either(laterOrSooner(90), anyCar),
    repair: (previous) => ({ previous, nowS: at('10:00') }),
  },
  REPAIR_NOW: {
    day: (random) => easyDay(random),
    change: (random, plan, day) => ({
      ...plan,
      refuels: [
        ...plan.refuels,
        { car: pick(random, day.cars)!.id, start: at('08:00') + Math.round(random() * 10_800) },
      ],
    }),
    repair: (previous) => ({ previous, nowS: at('10:00') }),
  },
};

/** Something of each kind that the cost terms look at: parties, ladders, preferences, a plan before. */
export const TERM_DAYS: Readonly<Record<TermName, (random: Random) => Day>> = {
  unplanned: (random) => easyDay(random, { day: () => ({ closes: at('09:30') }) }),
  waiting: easyDay,
  continuity: (random) =>
    easyDay(random, {
      instructor: (_, i) => ({ cars: [`c${(i % 3) + 1}`] }),
      guest: ({ drives }) => ({ drives: drives.map((drive, i) => ({ ...drive, cars: [`c${(i % 3) + 1}`] })) }),
    }),
  preference: (random) => easyDay(random, { guest: () => ({ preferInstructors: ['i1'] }) }),
  ladder: (random) =>
    easyDay(random, {
      car: (_, i) => ({ level: i + 1 }),
      guest: ({ drives }) => ({
        sequence: 'asListed',
        drives: drives.map((drive, i) => ({ ...drive, cars: [i === 0 ? 'c3' : 'c1'] })),
      }),
    }),
  passes: (random) => easyDay(random, { car: (_, i) => ({ lapTimeS: 60 + 25 * i }) }),
  balance: easyDay,
  party: (random) => easyDay(random, { guest: () => ({ party: 'friends' }) }),
  friends: (random) =>
    easyDay(random, {
      guest: (_, i) => ({
        [FRIEND_WISHES[i % 3]!]: ['g1', 'g2', 'g3'].slice(i % 2),
      }),
    }),
  moved: easyDay,
  reassigned: easyDay,
};
