import { ORDINARY_RULES, type Day, type Guest, type Instructor } from '@core/day';
import type { Random } from '@core/planner';

const MINUTE_S = 60;
/** Shares of the guests who need a class, and of those who need no sighting run all the same. */
const NEWCOMERS = 0.6;
const SIGHTED = 0.2;

/**
 * A small day whose optimum a solver can prove: all cars lap alike, so that nobody passes anybody, and fuel, cooling, rests
 * and room on the circuit are ample.
 *
 * @param withNewcomers more than half of the guests need a class and most of those a sighting run, from two or three instructors
 */
export function smallDay(random: Random, drives: number, withNewcomers = false): Day {
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const knowing = (): Pick<Guest, 'briefed' | 'sighted'> =>
    withNewcomers && random() < NEWCOMERS
      ? { briefed: false, sighted: random() < SIGHTED }
      : { briefed: true, sighted: true };
  const guests: Guest[] = [];
  for (let left = drives; left > 0;) {
    const count = Math.min(left, between(1, 3));
    left -= count;
    const id = `g${guests.length + 1}`;
    guests.push({
      id,
      name: id,
      party: guests.length < 2 ? 'p' : undefined,
      arrives: 9 * 3600 + between(0, 60) * MINUTE_S,
      languages: ['en'],
      pace: 1,
      ...knowing(),
      preferInstructors: random() < 0.3 ? ['i2'] : undefined,
      sequence: random() < 0.3 ? 'asListed' : 'any',
      drives: Array.from({ length: count }, (_, i) => ({
        id: `${id}-${i}`,
        cars: [`c${between(1, 4)}`],
        laps: between(5, 8),
      })),
    });
  }
  const available = [{ from: 8 * 3600, to: 18 * 3600 }];
  return {
    format: 'joylap-day',
    version: 1,
    venue: 'Test field',
    date: '2027-05-22',
    timeZone: 'Atlantic/Faroe',
    opens: 8 * 3600,
    closes: 18 * 3600,
    condition: { name: 'dry', paceFactor: 1 },
    circuit: { name: 'Test loop', lapLengthM: 2000, closures: [] },
    rules: { ...ORDINARY_RULES, releaseGapS: MINUTE_S, maxCarsOnTrack: 8 },
    cars: [1, 2, 3, 4].map((n) => ({
      id: `c${n}`,
      name: `Car ${n}`,
      level: n,
      lapTimeS: MINUTE_S,
      gearboxes: ['auto'],
      available,
      fuel: { capacityL: 500, startL: 500, reserveL: 0, perLapL: 1, refuelS: 480 },
      cooling: { afterLaps: 1000, restS: 900 },
    })),
    sightingVehicles: withNewcomers ? [{ id: 's1', name: 'Vehicle', seats: 3, lapTimeS: MINUTE_S, available }] : [],
    instructors: (withNewcomers && drives % 4 === 0 ? [1, 2] : [1, 2, 3]).map((n): Instructor => ({
      id: `i${n}`,
      name: `Instructor ${n}`,
      cars: 'all',
      languages: ['en'],
      available,
      maxSeatS: 86_400,
      restS: 0,
      meal: { from: 18 * 3600 - 1, to: 18 * 3600, durationS: 0 },
      maxLaps: 1000,
      brief: withNewcomers,
      sighting: withNewcomers,
    })),
    guests,
  };
}
