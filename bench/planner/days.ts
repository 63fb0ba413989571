import { ORDINARY_RULES, type Car, type Day, type Guest, type Instructor } from '@core/day';
import type { Random } from '@core/planner';

/** A day for the benchmark: how many drives, and how much of what the crew can do they ask for. */
export interface OrdinaryDay {
  readonly drives: number;
  readonly cars: number;
  /** Share of the crew's time, meals and rests taken off, that all activities together need. */
  readonly load: number;
  /** Cars at once and instructors, where they are not to follow from the rest. */
  readonly carsAtOnce?: number;
  readonly crew?: number;
  /** Share of guests whose drives go in the order listed. */
  readonly asListed?: number;
}

const hm = (hours: number, minutes = 0) => hours * 3600 + minutes * 60;
const OPENS = hm(8, 30);
const CLOSES = hm(18);
/** Guests are booked into so many slots of the day. */
const SLOTS = 14;
const SLOT_S = 1800;

/**
 * A day as a venue sells it: parties and single guests with one to three drives arrive in half-hour slots from opening
 * on, the last ones early enough for what they have booked; popular cars are booked more often; each drive fits somebody.
 */
export function ordinaryDay(
  random: Random,
  { drives: wanted, cars: carCount, load, carsAtOnce, crew, asListed = 0.1 }: OrdinaryDay,
): Day {
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const chance = (probability: number) => random() < probability;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

  const cars = Array.from({ length: carCount }, (_, i): Car => ({
    id: `c${i + 1}`,
    name: `Car ${i + 1}`,
    level: 1 + (i % 5),
    lapTimeS: 86 - 3 * (i % 5) + between(-3, 3),
    gearboxes: chance(0.7) ? ['auto', 'paddle'] : ['paddle'],
    available: [{ from: OPENS, to: CLOSES }],
    fuel: {
      capacityL: between(60, 90),
      startL: between(40, 60),
      reserveL: 8,
      perLapL: 1 + random() * 0.9,
      refuelS: 420,
    },
    cooling: { afterLaps: between(22, 36), restS: 900 },
    fit: chance(0.3) ? { maxHeightCm: 196 } : undefined,
  }));

  // How long each car is needed so far, with turnaround, refuels and cooling, against the time from the first drives on.
  const booked = new Map(cars.map((car): [Car, { arrives: number; needS: number }[]] => [car, []]));
  const drivingS = SLOTS * SLOT_S;
  const needS = (car: Car, laps: number, pace: number) =>
    600 +
    laps * car.lapTimeS * pace +
    (laps * car.fuel.perLapL * car.fuel.refuelS) / (car.fuel.capacityL - 20) +
    (laps * 600) / car.cooling.afterLaps;
  // A car is booked out when it is at the load, or when those who come late would not all get their turn before closing.
  const full = (car: Car, arrives: number) => {
    const own = booked.get(car)!;
    const after = (from: number) => own.reduce((sum, other) => sum + (other.arrives >= from ? other.needS : 0), 1300);
    if (after(0) > load * drivingS) return true;
    return [arrives, ...own.map((other) => other.arrives)].some(
      (from) => from <= arrives && after(from) > load * (CLOSES - from - hm(1)),
    );
  };

  const guests: Guest[] = [];
  let drives = 0;
  let party = 0;
  while (drives < wanted) {
    const members = pick([1, 1, 1, 2, 2, 3, 4]);
    const slot = OPENS + Math.floor(random() * SLOTS) * SLOT_S;
    if (members > 1) party += 1;
    for (let i = 0; i < members && drives < wanted; i++) {
      const count = Math.min(pick([1, 1, 2, 2, 2, 3]), wanted - drives);
      drives += count;
      const id = `g${guests.length + 1}`;
      const heightCm = between(155, 200);
      const fitting = cars.filter(({ fit }) => heightCm <= (fit?.maxHeightCm ?? 999));
      const arrives = Math.max(OPENS, slot + between(-2, 2) * 300);
      const pace = pick([1, 1.08, 1.15, 1.25]);
      const chosen = new Map<Car, number>();
      // The fiercer of two are booked more often, until they are booked out.
      for (let tries = 0; chosen.size < count && tries < 200; tries++) {
        const car = [pick(fitting), pick(fitting)].sort((a, b) => b.level - a.level)[chance(0.6) ? 0 : 1]!;
        if (chosen.has(car) || full(car, arrives)) continue;
        const laps = between(5, 8);
        chosen.set(car, laps);
        booked.get(car)!.push({ arrives, needS: needS(car, laps, pace) });
      }
      if (chosen.size < count) throw new Error('too few cars for so many drives at this load');
      guests.push({
        id,
        name: `Guest ${guests.length + 1}`,
        party: members > 1 ? `p${party}` : undefined,
        arrives,
        leavesBy: chance(0.2) ? Math.min(CLOSES, arrives + hm(3) + count * hm(0, 45)) : undefined,
        languages: chance(0.85) ? ['en'] : [pick(['de', 'fr', 'pt'])],
        heightCm,
        pace,
        briefed: chance(0.05),
        sighted: false,
        preferInstructors: chance(0.08) ? ['i1'] : undefined,
        sequence: chance(asListed) ? 'asListed' : 'any',
        drives: [...chosen].map(([car, laps], place) => ({ id: `${id}-${place + 1}`, cars: [car.id], laps })),
      });
    }
  }

  const rules = {
    ...ORDINARY_RULES,
    maxCarsOnTrack: carsAtOnce ?? Math.max(6, Math.round(wanted / 25)),
    refuelBays: Math.ceil(carCount / 12),
    briefing: { durationS: 1500, seats: 16, rooms: wanted > 250 ? 2 : 1 },
  };
  const carById = new Map(cars.map((car) => [car.id, car]));
  const neededS =
    guests.reduce(
      (sum, guest) =>
        sum +
        (rules.sighting.setUpS + rules.sighting.wrapUpS + 2 * 105) / 4 +
        guest.drives.reduce(
          (own, drive) =>
            own + rules.setUpS + rules.wrapUpS + drive.laps * carById.get(drive.cars[0]!)!.lapTimeS * guest.pace,
          0,
        ),
      0,
    ) +
    rules.briefing.rooms * 15 * rules.briefing.durationS;
  const eachS = (drivingS - 1800) * (5200 / (5200 + 900));
  const crewCount = crew ?? Math.max(4, Math.round(neededS / eachS / load));
  const instructors = Array.from({ length: crewCount }, (_, i): Instructor => ({
    id: `i${i + 1}`,
    name: `Instructor ${i + 1}`,
    cars: chance(0.75) ? 'all' : cars.filter((car) => car.level < 5).map(({ id }) => id),
    languages: ['en', ...['de', 'fr', 'pt'].filter((_, l) => i % 3 === l || chance(0.25))],
    available: [{ from: OPENS, to: CLOSES }],
    maxSeatS: 5400,
    restS: 900,
    meal: { from: hm(11, 30), to: hm(14), durationS: 1800 },
    maxLaps: 160,
    brief: i % 2 === 0,
    sighting: i % 4 !== 3,
  }));

  return {
    format: 'joylap-day',
    version: 1,
    venue: 'Test field',
    date: '2027-05-22',
    timeZone: 'Atlantic/Faroe',
    opens: OPENS,
    closes: CLOSES,
    condition: {
      name: 'dry',
      paceFactor: 1,
      changes: chance(0.25) ? [{ from: hm(14), name: 'damp', paceFactor: 1.06 }] : undefined,
    },
    circuit: {
      name: 'Test loop',
      lapLengthM: 2300,
      closures: chance(0.3) ? [{ from: hm(12, 30), to: hm(13), reason: 'quiet half-hour' }] : [],
    },
    rules,
    cars,
    sightingVehicles: Array.from({ length: Math.max(2, Math.round(wanted / 75)) }, (_, i) => ({
      id: `s${i + 1}`,
      name: `Carrier ${i + 1}`,
      seats: i % 2 === 0 ? 6 : 3,
      lapTimeS: 105,
      available: [{ from: OPENS, to: CLOSES }],
    })),
    instructors,
    guests,
  };
}

/** Days on which something is scarce: the circuit, the crew, or nothing but patience. By name: drives, cars, crew, cars at once. */
export const TIGHT_DAYS: readonly { readonly seed: number; readonly day: OrdinaryDay }[] = [
  { seed: 11, day: { drives: 60, cars: 10, load: 0.85, crew: 6, carsAtOnce: 3, asListed: 0.2 } },
  { seed: 12, day: { drives: 70, cars: 10, load: 0.85, crew: 8, carsAtOnce: 3, asListed: 0.3 } },
  { seed: 13, day: { drives: 158, cars: 16, load: 0.85, crew: 16, carsAtOnce: 4, asListed: 0.2 } },
  { seed: 14, day: { drives: 140, cars: 15, load: 0.85, crew: 12, carsAtOnce: 6, asListed: 0.2 } },
  { seed: 15, day: { drives: 176, cars: 18, load: 0.85, crew: 18, carsAtOnce: 5, asListed: 0.2 } },
  { seed: 16, day: { drives: 400, cars: 40, load: 0.85, crew: 36, carsAtOnce: 14, asListed: 0.2 } },
  { seed: 17, day: { drives: 168, cars: 15, load: 0.85, crew: 15, carsAtOnce: 3, asListed: 0.2 } },
];

/** The cheapest plans known of the tight days, in their order: from runs of up to two minutes, as `-- 1 best` makes them. */
export const BEST_KNOWN: readonly { readonly cost: number; readonly leftOut: number }[] = [
  { cost: 1150, leftOut: 0 },
  { cost: 1213, leftOut: 0 },
  { cost: 4958, leftOut: 0 },
  { cost: 3295, leftOut: 0 },
  { cost: 3270, leftOut: 0 },
  { cost: 12113, leftOut: 0 },
  { cost: 52321, leftOut: 23 },
];
