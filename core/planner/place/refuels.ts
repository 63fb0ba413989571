import { belowReserve } from '../../rules';
import { bayShift, outside } from './fits';
import { refuelOccupancy, type Occupancy } from './occupancy';
import type { Timetable } from './timetable';

/**
 * Refuels follow from the drives: whoever puts a drive into a car is not stopped by a refuel that could as well be another
 * time. What is there stays where it can; else the refuels of the car are planned anew around its drives.
 */

/** How the refuels of a car change with a drive that goes into it. */
export interface RefuelChange {
  readonly out: readonly Occupancy[];
  readonly in: readonly Occupancy[];
}

/** What a drive that may go into a car takes of its time and fuel. */
export type CarUse = Pick<Occupancy, 'startS' | 'endS' | 'trackEndS' | 'lapsDriven'>;

export const NO_CHANGE: RefuelChange = { out: [], in: [] };

/**
 * The refuels with which the car's fuel lasts over the day with one drive more, which has its place between the others and
 * what stands; undefined where there are none.
 */
export function refuelsWith(timetable: Timetable, car: number, more: CarUse): RefuelChange | undefined {
  const there = timetable.carRefuels[car]!;
  const meets = meetsHold(timetable, more);
  const met = there.filter(meets);
  const kept = met.length === 0 ? there : there.filter((refuel) => !meets(refuel));
  const uses = withUse(timetable.carDrives[car]!, more);
  if (met.length === 0 && shortageOf(timetable, car, uses, kept) === undefined) return NO_CHANGE;
  const fixed = there.filter((refuel) => refuel.fixed);
  const planned =
    completed(timetable, car, uses, kept) ??
    (kept.length > fixed.length ? completed(timetable, car, uses, fixed) : undefined);
  return (
    planned && {
      out: there.filter((refuel) => !planned.includes(refuel)),
      in: planned.filter((refuel) => !there.includes(refuel)),
    }
  );
}

/** Whether the fuel lasts over the day with these refuels. */
export function fuelLasts(timetable: Timetable, car: number, refuels: readonly Occupancy[]): boolean {
  return shortageOf(timetable, car, timetable.carDrives[car]!, refuels) === undefined;
}

function meetsHold(timetable: Timetable, { startS, endS }: CarUse) {
  const { turnaroundS } = timetable.problem.day.rules;
  return (refuel: Occupancy) => refuel.startS < endS + turnaroundS && startS < refuel.endS;
}

/** The drives of a car in order of time, with one more. */
function withUse(drives: readonly Occupancy[], more: CarUse): readonly CarUse[] {
  let at = drives.length;
  while (at > 0 && drives[at - 1]!.startS > more.startS) at -= 1;
  return [...drives.slice(0, at), more, ...drives.slice(at)];
}

/** Where the fuel runs out: before which drive, and when it was last known or filled before. */
interface Shortage {
  readonly use: number;
  readonly filledS: number;
  /** The tank was full, so that no refuel helps. */
  readonly wasFull: boolean;
}

function shortageOf(
  timetable: Timetable,
  car: number,
  uses: readonly CarUse[],
  refuels: readonly Occupancy[],
): Shortage | undefined {
  const { car: facts, readings } = timetable.problem.cars[car]!;
  const { fuel } = facts;
  let litres = fuel.startL;
  let filledS = -Infinity;
  let r = 0;
  let g = 0;
  for (let use = 0; use < uses.length; use++) {
    const { trackEndS, lapsDriven } = uses[use]!;
    for (;;) {
      const refuelS = refuels[r]?.endS ?? Infinity;
      const readingS = readings[g]?.at ?? Infinity;
      // At the same second a refuel counts before the drive's end, and a reading after it.
      if (refuelS <= trackEndS && refuelS <= readingS) {
        litres = fuel.capacityL;
        filledS = refuelS;
        r += 1;
      } else if (readingS < trackEndS) {
        litres = readings[g]!.litres;
        filledS = readingS;
        g += 1;
      } else break;
    }
    const wasFull = litres >= fuel.capacityL;
    litres -= lapsDriven * fuel.perLapL;
    if (belowReserve(facts, litres)) return { use, filledS, wasFull };
  }
  return undefined;
}

/** The given refuels and as many more as it takes, each as late between two drives as it may be. */
function completed(
  timetable: Timetable,
  car: number,
  uses: readonly CarUse[],
  given: readonly Occupancy[],
): readonly Occupancy[] | undefined {
  const refuels = [...given];
  const elsewhere = timetable.refuels.filter((refuel) => refuel.car !== car);
  for (;;) {
    const shortage = shortageOf(timetable, car, uses, refuels);
    if (!shortage) return refuels;
    if (shortage.wasFull) return undefined;
    const startS = latestBefore(timetable, car, uses, shortage, [...elsewhere, ...refuels]);
    if (startS === undefined) return undefined;
    const refuel = refuelOccupancy(timetable.problem, car, startS);
    let at = refuels.length;
    while (at > 0 && refuels[at - 1]!.startS > startS) at -= 1;
    refuels.splice(at, 0, refuel);
  }
}

/** Start of a refuel in the last gap before the drive that lacks fuel, as early in it as a bay is free. */
function latestBefore(
  timetable: Timetable,
  car: number,
  uses: readonly CarUse[],
  { use, filledS }: Shortage,
  refuels: readonly Occupancy[],
): number | undefined {
  const { day, cars, nowS } = timetable.problem;
  const { windows, car: facts } = cars[car]!;
  const { refuelS } = facts.fuel;
  for (let next = use; next >= 0; next--) {
    const latestS = Math.min(uses[next]!.startS, day.closes) - refuelS;
    if (latestS < filledS) return undefined;
    const before = uses[next - 1];
    let startS = Math.max(filledS, day.opens, nowS, before ? before.endS + day.rules.turnaroundS : 0);
    while (startS <= latestS) {
      const away = outside(windows, startS, startS + refuelS);
      const shift = away > 0 ? away : bayShift(timetable, startS, startS + refuelS, refuels);
      if (shift === 0) return startS;
      startS += shift;
    }
  }
  return undefined;
}
