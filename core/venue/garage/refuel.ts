import type { CarOccupancy } from '../../day';
import type { FuelEstimate } from './fuel';
import type { DriveToCome } from './wear';

/** Refuel before this drive, or the reserve is reached in it. */
export interface RefuelAdvice {
  readonly before: DriveToCome;
  /** Expected at the end of that drive without refuelling, litres. */
  readonly leftL: number;
}

/**
 * The first drive to come at whose end a car would be below its reserve, taking the estimate at its low end (one standard
 * deviation less). A planned refuelling before it makes it good.
 *
 * @param refuelsS planned beginnings of refuelling, in order
 */
export function refuelBefore(
  { litres, withinL, perLapL }: FuelEstimate,
  reserveL: number,
  capacityL: number,
  toCome: readonly DriveToCome[],
  refuelsS: readonly number[],
): RefuelAdvice | undefined {
  let level = litres - withinL;
  let filled = 0;
  for (const before of toCome) {
    while (filled < refuelsS.length && refuelsS[filled]! < before.startS) {
      level = capacityL;
      filled += 1;
    }
    level -= before.laps * perLapL;
    if (level < reserveL) return { before, leftL: Math.max(0, level) };
  }
  return undefined;
}

/**
 * Drives of a car that have not begun, and groups that take it along, in the order in which they are planned.
 *
 * @param taken what takes the car, by start
 */
export function drivesToCome(
  taken: readonly CarOccupancy[],
  hasBegun: (occupancy: CarOccupancy) => boolean,
): DriveToCome[] {
  return taken
    .filter((occupancy) => !hasBegun(occupancy))
    .map((occupancy) => ({
      ...(occupancy.kind === 'drive'
        ? { drive: occupancy.planned.drive, guest: occupancy.guests[0]?.name ?? occupancy.planned.drive }
        : { drive: occupancy.planned.group, guest: occupancy.group?.name ?? occupancy.planned.group }),
      startS: occupancy.startS,
      releaseS: occupancy.releaseS,
      laps: occupancy.lapsDriven,
    }));
}
