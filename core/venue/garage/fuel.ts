import type { Car } from '../../day';
import type { CarState, DayState, FuelMark } from '../../journal';

/** What a car is believed to have in its tank. */
export interface FuelEstimate {
  readonly litres: number;
  /** One standard deviation. */
  readonly withinL: number;
  /** A lap, corrected by what was read before and after so many laps. */
  readonly perLapL: number;
  /** Standard deviation of a lap's share. */
  readonly perLapWithinL: number;
}

/** How well a lap's fuel is known before anything was read, as a share. */
const PRIOR_SHARE = 0.15;
/** How well the level in the morning is known without a reading. */
const MORNING_WITHIN_L = 3;

/** Gauges that show parts of a tank: how many litres that is, and how far off it may be. */
export const GAUGE_LEVELS = [
  { label: 'full', share: 1, within: 0.02 },
  { label: '¾', share: 0.75, within: 0.06 },
  { label: '½', share: 0.5, within: 0.06 },
  { label: '¼', share: 0.25, within: 0.06 },
] as const;

/**
 * The fuel in a car as a running estimate. A lap's share begins as the day file has it, known to 15 %; every pair of
 * marks between which only laps were driven corrects it, weighted by how well both are known (a normal prior with normal
 * observations). The level is that of the last mark less the laps since.
 *
 * @param laps driven this day
 * @param marks levels that are known, in order of time
 */
export function fuelEstimate(startL: number, perLapL: number, laps: number, marks: readonly FuelMark[]): FuelEstimate {
  let precision = 1 / (PRIOR_SHARE * perLapL || 0.05) ** 2;
  let mean = perLapL;
  marks.forEach((mark, index) => {
    const before = marks[index - 1] ?? { litres: startL, withinL: MORNING_WITHIN_L, laps: 0 };
    const driven = mark.laps - before.laps;
    const used = before.litres - mark.litres;
    // A level that has risen was filled up in between, and tells nothing of laps.
    if (driven < 1 || used <= 0) return;
    const own = driven ** 2 / (mark.withinL ** 2 + before.withinL ** 2);
    mean = (mean * precision + (used / driven) * own) / (precision + own);
    precision += own;
  });
  const last = marks.at(-1) ?? { litres: startL, withinL: MORNING_WITHIN_L, laps: 0 };
  const since = Math.max(0, laps - last.laps);
  const perLapWithinL = 1 / Math.sqrt(precision);
  return {
    litres: Math.max(0, last.litres - since * mean),
    withinL: Math.hypot(last.withinL, since * perLapWithinL),
    perLapL: mean,
    perLapWithinL,
  };
}

/** The tank of a car as its day has gone: the one estimate by which every screen, warning and report goes. */
export function tankOf(
  { garage }: Pick<DayState, 'garage'>,
  { car, laps }: Pick<CarState, 'car' | 'laps'>,
): FuelEstimate {
  const { startL, perLapL } = car.fuel;
  return fuelEstimate(startL, perLapL, laps, garage.cars.get(car.id)?.fuelMarks ?? []);
}

/** The laps of a long drive. */
const LOW_LAPS = 8;

/** Whether a tank is low: it does not last for another long drive above the reserve. */
export function isLow({ litres, perLapL }: FuelEstimate, { fuel }: Pick<Car, 'fuel'>): boolean {
  return litres < fuel.reserveL + LOW_LAPS * perLapL;
}
