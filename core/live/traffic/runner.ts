import type { LapEstimate } from '../../journal';
import type { LapShape } from './lap-shape';

/** A vehicle on the circuit, as the traffic model sees it from one moment on. */
export interface Runner {
  /** Drive, sighting vehicle, or a car of a train. */
  readonly id: string;
  readonly kind: 'drive' | 'sighting' | 'train';
  /** Id of the car or sighting vehicle. */
  readonly vehicle: string;
  /** Moment from which `progress` counts, seconds since midnight. */
  readonly fromS: number;
  /** Laps of time since the start line, at `fromS`; see `LapShape`. */
  readonly progress: number;
  readonly lap: LapEstimate;
  /** How much longer the lap out of the pits takes, up to progress 1. */
  readonly firstLapFactor: number;
  /** Progress at which it comes off. */
  readonly off: number;
}

/** A car that has not crossed the line by then is overdue: it stands there, or the crossing was missed. */
const OVERDUE_LAPS = 0.35;
/** Just short of the line, where an expected crossing has not come yet. */
const BEFORE_LINE = 0.995;

/** Progress at which a drive of so many crossings comes off: at the way in that is nearest to its last crossing. */
export function offAfter(crossings: number, { pitEntry }: LapShape): number {
  return pitEntry > 0.5 ? crossings - 1 + pitEntry : crossings + pitEntry;
}

/** Progress now of a vehicle that was let out at a time and has crossed the line at others. */
export function progressAt(
  nowS: number,
  releasedS: number,
  crossings: readonly { readonly atS: number }[],
  lapS: number,
  firstLapFactor: number,
  shape: LapShape,
): number {
  const last = crossings.at(-1);
  const base = last ? crossings.length : shape.pitExit;
  const sinceS = nowS - (last?.atS ?? releasedS);
  const progress = base + Math.max(0, sinceS) / (lapS * (last ? 1 : firstLapFactor));
  const line = Math.floor(base) + 1;
  if (progress < line) return progress;
  return progress < line + OVERDUE_LAPS ? line - 1 + BEFORE_LINE : progress;
}

/** Progress at a time from `fromS` on. */
export function progressOfRunner({ fromS, progress, lap: { lapS }, firstLapFactor }: Runner, atS: number): number {
  const goneS = atS - fromS;
  if (progress >= 1) return progress + goneS / lapS;
  const firstEndsS = (1 - progress) * lapS * firstLapFactor;
  return goneS <= firstEndsS ? progress + goneS / (lapS * firstLapFactor) : 1 + (goneS - firstEndsS) / lapS;
}

/** When a progress is reached, seconds since midnight; never before `fromS`. */
export function reachedS({ fromS, progress, lap: { lapS }, firstLapFactor }: Runner, target: number): number {
  if (target <= progress) return fromS;
  const inFirst = Math.max(0, Math.min(1, target) - progress);
  return fromS + inFirst * lapS * firstLapFactor + (target - Math.max(progress, Math.min(1, target))) * lapS;
}

/** Seconds until it comes past the start line next. */
export function crossesInS(runner: Runner): number {
  return reachedS(runner, Math.floor(runner.progress) + 1) - runner.fromS;
}
