import { measure, type CircuitMap } from '../../track/circuit';
import type { LapSpeeds } from '../../programmes';

/**
 * How the time of a lap is spread over its length. A car's progress is told in laps of *time*: 2.25 is a quarter of the
 * lap time after the second crossing. All cars spread their time alike, so that two are at one place exactly when their
 * progress differs by a whole number.
 */
export interface LapShape {
  /** Share of the lap time at which the way out of the pits joins, from the start line. */
  readonly pitExit: number;
  /** Share of the lap time at which the way into the pits leaves. */
  readonly pitEntry: number;
  /** Share of the lap's length that is reached at a share of its time. */
  readonly placeAt: (timeShare: number) => number;
  /** Share of the lap's time that has passed at a share of its length. */
  readonly timeAt: (place: number) => number;
  /** Name of the corner near a share of the lap's length. */
  readonly cornerAt: (place: number) => string | undefined;
}

const whole = (share: number) => share - Math.floor(share);

/** Of a circuit without a map: a ring that is driven evenly, with the pits at the start line. */
export const EVEN_RING: LapShape = {
  pitExit: 0,
  pitEntry: 0,
  placeAt: whole,
  timeAt: whole,
  cornerAt: () => undefined,
};

/** Points of the table between which time runs evenly. */
const STEPS = 200;

export function lapShapeOf(map: CircuitMap | undefined): LapShape {
  if (!map) return EVEN_RING;
  const { lengthM } = measure(map.line);
  const corners = map.corners.map(({ name, atM }) => ({ name, place: whole(atM / lengthM) }));
  const reached = timeTable(map, lengthM);
  const timeAt = (place: number): number => {
    const step = whole(place) * STEPS;
    const low = Math.floor(step);
    return reached[low]! + (step - low) * (reached[low + 1]! - reached[low]!);
  };
  const placeAt = (timeShare: number): number => {
    const share = whole(timeShare);
    let [low, high] = [0, STEPS];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (reached[middle]! <= share) low = middle;
      else high = middle;
    }
    return (low + (share - reached[low]!) / (reached[low + 1]! - reached[low]!)) / STEPS;
  };
  const cornerAt = (place: number): string | undefined => {
    let best: string | undefined;
    let bestOff = Infinity;
    for (const corner of corners) {
      const apart = Math.abs(whole(place) - corner.place);
      const off = Math.min(apart, 1 - apart);
      if (off < bestOff) [best, bestOff] = [corner.name, off];
    }
    return best;
  };
  return {
    pitExit: timeAt(map.pitExitM / lengthM),
    pitEntry: timeAt(map.pitEntryM / lengthM),
    placeAt,
    timeAt,
    cornerAt,
  };
}

/**
 * Speeds at the slowest and the fastest stretch of a lap of this shape; the same where nothing is known of it. A stretch is the
 * two-hundredth part of the lap.
 */
export function lapSpeeds({ timeAt }: LapShape, lapLengthM: number, lapS: number): LapSpeeds {
  const [stretchM, speeds] = [lapLengthM / STEPS, [] as number[]];
  for (let step = 0; step < STEPS; step++) {
    const reached = step + 1 === STEPS ? 1 : timeAt((step + 1) / STEPS);
    speeds.push(stretchM / ((reached - timeAt(step / STEPS)) * lapS));
  }
  return { slowestMps: Math.min(...speeds), fastestMps: Math.max(...speeds) };
}

/** Share of the lap's time that has passed at each step of its length: the integral of 1 / v, normalised. */
function timeTable({ speeds }: CircuitMap, lengthM: number): readonly number[] {
  const table = [0];
  for (let step = 0; step < STEPS; step++) {
    const v = speeds && speeds.length > 0 ? speedAt(speeds, ((step + 0.5) / STEPS) * lengthM, lengthM) : 1;
    table.push(table[step]! + 1 / v);
  }
  const total = table[STEPS]!;
  return table.map((sum) => sum / total);
}

/** Speed at a place, linear between the given ones and across the start line. */
function speedAt(speeds: NonNullable<CircuitMap['speeds']>, atM: number, lengthM: number): number {
  const after = speeds.findIndex((point) => point.atM > atM);
  const next = after < 0 ? { ...speeds[0]!, atM: speeds[0]!.atM + lengthM } : speeds[after]!;
  const before = after < 0 ? speeds.length - 1 : after - 1;
  const last = before < 0 ? { ...speeds.at(-1)!, atM: speeds.at(-1)!.atM - lengthM } : speeds[before]!;
  const part = (atM - last.atM) / (next.atM - last.atM || 1);
  return last.kmh + part * (next.kmh - last.kmh);
}
