import { FRIEND_WISHES } from '../day/friends';
import { ORDINARY_RULES, type Car, type Day, type Guest, type Instructor } from '../day';
import type { Random } from '../planner';

/** Shape of a random day; what is left out has the value of an ordinary venue. */
export interface RandomDayShape {
  readonly drives: number;
  readonly cars?: number;
  readonly instructors?: number;
}

const LANGUAGES = ['en', 'de', 'fr', 'ja', 'pt'];
const at = (hours: number, minutes = 0) => hours * 3600 + minutes * 60;

/**
 * A made-up day with the troubles of a real one: guests who come late or leave early, languages, sizes, parties, cars
 * that drink and run hot, instructors with breaks. The same chance gives the same day.
 */
export function randomDay(random: Random, shape: RandomDayShape): Day {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const chance = (probability: number) => random() < probability;
  const carCount = shape.cars ?? Math.max(1, Math.round(shape.drives / 12));
  const crewCount = shape.instructors ?? Math.max(1, Math.round(shape.drives / 10));

  const cars = Array.from({ length: carCount }, (_, i): Car => ({
    id: `c${i + 1}`,
    name: `Car ${i + 1}`,
    level: between(1, 5),
    lapTimeS: between(66, 90),
    gearboxes: chance(0.3) ? ['auto'] : ['auto', 'paddle'],
    available: chance(0.15)
      ? [
          { from: at(8, 30), to: at(12) },
          { from: at(13), to: at(18) },
        ]
      : [{ from: at(8, 30), to: at(18) }],
    fuel: {
      capacityL: 70,
      startL: between(30, 70),
      reserveL: 10,
      perLapL: 1.2 + random(),
      refuelS: 480,
      readings: chance(0.2) ? [{ at: at(11), litres: between(12, 60) }] : undefined,
    },
    cooling: { afterLaps: between(16, 30), restS: 900 },
    fit: chance(0.4) ? { maxHeightCm: between(185, 200), maxWeightKg: 125 } : undefined,
  }));
  const instructors = Array.from({ length: crewCount }, (_, i): Instructor => ({
    id: `i${i + 1}`,
    name: `Instructor ${i + 1}`,
    cars: chance(0.7) ? 'all' : cars.filter(() => chance(0.7)).map(({ id }) => id),
    languages: ['en', ...LANGUAGES.slice(1).filter(() => chance(0.3))],
    available: [{ from: at(8, 30), to: chance(0.8) ? at(18) : at(14) }],
    maxSeatS: 5400,
    restS: 900,
    meal: { from: at(11, 30), to: at(14), durationS: 1800 },
    maxLaps: 130,
    brief: i % 2 === 0,
    sighting: i % 3 !== 2,
    levelLaps: chance(0.3) ? { '5': 30 } : undefined,
  }));

  const guests: Guest[] = [];
  let drives = 0;
  while (drives < shape.drives) {
    const number = guests.length + 1;
    const wanted = Math.min(pick([1, 1, 1, 2, 2, 3]), shape.drives - drives);
    drives += wanted;
    const arrives = at(8, 30) + between(0, 96) * 300;
    guests.push({
      id: `g${number}`,
      name: `Guest ${number}`,
      party: chance(0.3) ? `p${Math.ceil(number / 3)}` : undefined,
      arrives,
      leavesBy: chance(0.3) ? Math.min(at(18), arrives + between(6, 16) * 1800) : undefined,
      languages: chance(0.7) ? ['en'] : ['en', pick(LANGUAGES)].slice(chance(0.5) ? 1 : 0),
      heightCm: chance(0.8) ? between(150, 202) : undefined,
      weightKg: chance(0.8) ? between(50, 128) : undefined,
      pace: pick([1, 1.12, 1.25]),
      briefed: chance(0.1),
      sighted: chance(0.08),
      avoidInstructors: chance(0.05) ? [pick(instructors).id] : undefined,
      preferInstructors: chance(0.1) ? [pick(instructors).id] : undefined,
      sequence: chance(0.2) ? 'asListed' : undefined,
      ...(number % 4 === 2 && { [FRIEND_WISHES[number % 3]!]: [`g${number - 1}`] }),
      drives: Array.from({ length: wanted }, (_, i) => ({
        id: `g${number}-${i + 1}`,
        cars: [...new Set([pick(cars).id, ...(chance(0.3) ? [pick(cars).id] : [])])],
        laps: between(5, 8),
        gearbox: chance(0.2) ? ('auto' as const) : undefined,
        extraLaps: chance(0.05) ? 1 : undefined,
        pin: chance(0.06) ? { release: at(9) + between(0, 400) * 75 } : undefined,
      })),
    });
  }

  return {
    format: 'joylap-day',
    version: 1,
    venue: 'Test field',
    date: '2027-05-22',
    timeZone: 'Atlantic/Faroe',
    opens: at(8, 30),
    closes: at(18),
    condition: {
      name: 'dry',
      paceFactor: 1,
      changes: chance(0.3) ? [{ from: at(14), name: 'damp', paceFactor: 1.08 }] : undefined,
    },
    circuit: {
      name: 'Test loop',
      lapLengthM: 2300,
      closures: chance(0.5) ? [{ from: at(12, 30), to: at(13), reason: 'quiet half-hour' }] : [],
    },
    rules: {
      ...ORDINARY_RULES,
      maxCarsOnTrack: 6,
      firstLapFactor: chance(0.5) ? 1.15 : undefined,
      outLapCounts: chance(0.2) ? false : undefined,
    },
    cars,
    sightingVehicles: [
      { id: 's1', name: 'Carrier 1', seats: 6, lapTimeS: 105, available: [{ from: at(8, 30), to: at(18) }] },
      { id: 's2', name: 'Carrier 2', seats: 3, lapTimeS: 105, available: [{ from: at(8, 30), to: at(18) }] },
    ],
    instructors,
    guests,
  };
}
