import { paceFactorAt } from '../../day';
import { timedLaps, type DayContext, type DriveState, type TimedLap } from '../../journal';
import { median } from '../../values';

export interface LapAnalysis {
  readonly laps: readonly TimedLap[];
  /** Laps that were driven, be there times for them or not. */
  readonly driven: number;
  /** Those of the laps driven for which there is no time. */
  readonly untimed: number;
  /** Laps with a time of their own that are neither spoiled nor the first nor long. */
  readonly clean: readonly TimedLap[];
  readonly bestS: number | undefined;
  readonly meanS: number | undefined;
  /** Standard deviation of the clean laps about their trend. */
  readonly spreadS: number | undefined;
  /** From the first to the last clean lap, by a robust fit; more than 0 is quicker. */
  readonly gainS: number | undefined;
  /** Half the width of what the gain may be. */
  readonly gainWithinS: number | undefined;
  /** The gain where it is beyond what it may be by chance: nothing else is claimed. */
  readonly gainedS: number | undefined;
}

/** The laps of a drive; what is not known stays undefined, as where all laps were spoiled. */
export function analyseLaps(context: DayContext, drive: DriveState): LapAnalysis {
  const laps = timedLaps(context, drive);
  const driven = drive.crossings.length;
  const clean = laps.filter(
    ({ spoiled, first, long, laps: together }) => !spoiled && !first && !long && together === 1,
  );
  const times = clean.map(({ lapS }) => lapS);
  const fit = theilSen(clean.map(({ number, lapS }) => [number, lapS]));
  const span = clean.length > 1 ? clean.at(-1)!.number - clean[0]!.number : 0;
  const gainS = fit && -fit.slope * span;
  const gainWithinS = fit && (fit.widthOfSlopes / 2) * span;
  const off = fit ? clean.map(({ number, lapS }) => lapS - fit.at(number)) : [];
  return {
    laps,
    driven,
    untimed: driven - laps.reduce((sum, lap) => sum + lap.laps, 0),
    clean,
    bestS: times.length > 0 ? Math.min(...times) : undefined,
    meanS: times.length > 0 ? times.reduce((a, b) => a + b, 0) / times.length : undefined,
    spreadS: off.length > 2 ? Math.sqrt(off.reduce((sum, d) => sum + d * d, 0) / (off.length - 2)) : undefined,
    gainS,
    gainWithinS,
    gainedS: gainS !== undefined && Math.abs(gainS) > gainWithinS! ? gainS : undefined,
  };
}

/**
 * A line through points that a few wild ones do not bend: the median of the slopes of all pairs (Theil 1950, Sen, *Journal
 * of the American Statistical Association* 63, 1968). Nothing for fewer than three points.
 */
export function theilSen(points: readonly (readonly [number, number])[]) {
  if (points.length < 3) return undefined;
  const slopes: number[] = [];
  points.forEach(([x, y], i) => {
    for (const [x2, y2] of points.slice(i + 1)) if (x2 !== x) slopes.push((y2 - y) / (x2 - x));
  });
  const slope = median(slopes);
  const level = median(points.map(([x, y]) => y - slope * x));
  const sorted = [...slopes].sort((a, b) => a - b);
  const quarter = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  return { slope, at: (x: number) => level + slope * x, widthOfSlopes: quarter(0.75) - quarter(0.25) };
}

/** How quickly somebody drives for the car: 1 is a good guest's lap of that car in this condition, more is quicker. */
export interface PaceIndex {
  readonly index: number;
  /** Standard error. */
  readonly within: number;
  readonly laps: number;
}

/** A lap is timed no better than this by hand, seconds. */
const TIMED_WITHIN_S = 0.4;

/** The pace index of a drive: lap of the car's reference in this condition ÷ mean of the clean laps. */
export function paceIndex(context: DayContext, drive: DriveState, analysis: LapAnalysis): PaceIndex | undefined {
  const car = drive.car === undefined ? undefined : context.schedule.index.cars.get(drive.car);
  if (!car || analysis.meanS === undefined) return undefined;
  const referenceS = car.lapTimeS * paceFactorAt(context.day, drive.releasedS ?? 0);
  const n = analysis.clean.length;
  const spreadS = Math.max(TIMED_WITHIN_S, analysis.spreadS ?? 0.02 * analysis.meanS);
  const index = referenceS / analysis.meanS;
  return { index, within: (index * spreadS) / Math.sqrt(n) / analysis.meanS, laps: n };
}

/** Who is quicker for the car; a small difference is a draw. */
export function compareIndex(a: PaceIndex, b: PaceIndex): 'first' | 'second' | 'draw' {
  const apart = a.index - b.index;
  if (Math.abs(apart) < 1.64 * Math.hypot(a.within, b.within)) return 'draw';
  return apart > 0 ? 'first' : 'second';
}
