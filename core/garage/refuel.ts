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

/** Drives of a car that have not begun, in the order in which they are planned. */
export function drivesToCome(
  occupancies: readonly {
    readonly planned: { readonly drive: string; readonly car: string };
    readonly guests: readonly { readonly name: string }[];
    readonly startS: number;
    readonly releaseS: number;
    readonly lapsDriven: number;
  }[],
  car: string,
  hasBegun: (drive: string) => boolean,
): DriveToCome[] {
  return occupancies
    .filter(({ planned }) => planned.car === car && !hasBegun(planned.drive))
    .map(({ planned, guests, startS, releaseS, lapsDriven }) => ({
      drive: planned.drive,
      guest: guests[0]?.name ?? planned.drive,
      startS,
      releaseS,
      laps: lapsDriven,
    }))
    .sort((a, b) => a.startS - b.startS);
}
