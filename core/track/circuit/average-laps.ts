import { median } from '../../values';
import { RingMatrix } from './ring-solver';

interface TrackPoint {
  readonly xM: number;
  readonly yM: number;
  readonly zM: number;
}

export type AveragedLaps =
  | { readonly ok: true; readonly points: readonly TrackPoint[]; readonly laps: number }
  | { readonly ok: false; readonly message: string };

const EVERY_M = 2;
const POINT_EVERY_M = 4;
/** A start line reaches so far to either side. */
const START_REACH_M = 25;
const SHORTEST_LAP_M = 150;
/** Waves of this length are kept by half, longer ones nearly whole. */
const HALF_WAVE_M = 60;
const HALF_WAVE_HEIGHT_M = 160;

/**
 * One line from a receiver's track of one or more laps. A lap runs from one crossing of the start line to the next; each
 * is smoothed, cut into the same number of pieces of its own length, and the pieces are averaged. Laps much longer or
 * shorter than the median one (a stop, a way through the pits) are left out.
 *
 * @param start a place on the start line; the line stands across the way that is driven there
 */
export function averageLaps(track: readonly TrackPoint[], start: { xM: number; yM: number }): AveragedLaps {
  const points = track.filter(
    (point, i) => i === 0 || Math.hypot(point.xM - track[i - 1]!.xM, point.yM - track[i - 1]!.yM) > 0.05,
  );
  const laps = lapsOf(points, start);
  if (laps.length === 0) {
    const first = points[0];
    const last = points.at(-1);
    const gapM = first && last ? Math.hypot(first.xM - last.xM, first.yM - last.yM) : 0;
    return {
      ok: false,
      message: `the track never comes back to its start: the line is not closed, its ends are ${Math.round(gapM)} m apart`,
    };
  }
  const lengths = laps.map(lengthOf);
  const ordinaryM = median(lengths);
  const whole = laps.filter((_, i) => Math.abs(lengths[i]! / ordinaryM - 1) < 0.1);
  const size = Math.max(30, Math.round(ordinaryM / EVERY_M));
  const smoothed = whole.map((lap) => {
    const even = evenly(lap, size);
    const stepM = lengthOf(lap) / size;
    return evenly(
      {
        xM: smooth(even.xM, HALF_WAVE_M / stepM),
        yM: smooth(even.yM, HALF_WAVE_M / stepM),
        zM: smooth(even.zM, HALF_WAVE_HEIGHT_M / stepM),
      },
      size,
    );
  });
  const mean = (axis: keyof Axes, i: number) => smoothed.reduce((sum, lap) => sum + lap[axis][i]!, 0) / smoothed.length;
  const every = Math.max(1, Math.round(POINT_EVERY_M / EVERY_M));
  const averaged = Array.from({ length: Math.floor(size / every) }, (_, i) => ({
    xM: mean('xM', i * every),
    yM: mean('yM', i * every),
    zM: mean('zM', i * every),
  }));
  return { ok: true, points: averaged, laps: whole.length };
}

interface Axes {
  readonly xM: Float64Array;
  readonly yM: Float64Array;
  readonly zM: Float64Array;
}

/** Cuts a track at the start line; a track that ends where it began is one lap without a second crossing. */
function lapsOf(points: readonly TrackPoint[], start: { xM: number; yM: number }): Axes[] {
  const nearest = points.reduce(
    (best, point, i) => {
      const awayM = Math.hypot(point.xM - start.xM, point.yM - start.yM);
      return awayM < best.awayM - 1e-9 ? { i, awayM } : best;
    },
    { i: 0, awayM: Infinity },
  ).i;
  const ahead = points[Math.min(points.length - 1, nearest + 3)]!;
  const behind = points[Math.max(0, nearest - 3)]!;
  const length = Math.hypot(ahead.xM - behind.xM, ahead.yM - behind.yM) || 1;
  const [wayX, wayY] = [(ahead.xM - behind.xM) / length, (ahead.yM - behind.yM) / length];
  const along = ({ xM, yM }: TrackPoint) => (xM - start.xM) * wayX + (yM - start.yM) * wayY;
  const across = ({ xM, yM }: TrackPoint) => Math.abs((yM - start.yM) * wayX - (xM - start.xM) * wayY);
  const cuts: { index: number; point: TrackPoint }[] = [];
  if (Math.abs(along(points[0]!)) < 1e-6 && across(points[0]!) < START_REACH_M)
    cuts.push({ index: 0, point: points[0]! });
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const [before, after] = [along(a), along(b)];
    if (!(before < 0 && after >= 0) || Math.min(across(a), across(b)) > START_REACH_M) continue;
    const part = -before / (after - before);
    const point = {
      xM: a.xM + part * (b.xM - a.xM),
      yM: a.yM + part * (b.yM - a.yM),
      zM: a.zM + part * (b.zM - a.zM),
    };
    cuts.push({ index: i, point });
  }
  const laps: Axes[] = [];
  const axes = (lap: readonly TrackPoint[]): Axes => ({
    xM: Float64Array.from(lap, ({ xM }) => xM),
    yM: Float64Array.from(lap, ({ yM }) => yM),
    zM: Float64Array.from(lap, ({ zM }) => zM),
  });
  for (let i = 0; i + 1 < cuts.length; i++) {
    const lap = axes([cuts[i]!.point, ...points.slice(cuts[i]!.index, cuts[i + 1]!.index)]);
    if (lengthOf(lap) > SHORTEST_LAP_M) laps.push(lap);
  }
  if (laps.length > 0) return laps;
  const whole = axes(points);
  const n = points.length;
  const gapM = Math.hypot(points[0]!.xM - points[n - 1]!.xM, points[0]!.yM - points[n - 1]!.yM);
  return gapM < Math.max(30, (3 * lengthOf(whole)) / n) && lengthOf(whole) > SHORTEST_LAP_M ? [whole] : [];
}

function lengthOf({ xM, yM }: Axes): number {
  let sum = 0;
  for (let i = 0; i < xM.length; i++) {
    const next = (i + 1) % xM.length;
    sum += Math.hypot(xM[next]! - xM[i]!, yM[next]! - yM[i]!);
  }
  return sum;
}

/** The same closed line with so many points at even distances. */
function evenly(lap: Axes, size: number): Axes {
  const n = lap.xM.length;
  const stepM = lengthOf(lap) / size;
  const even: Axes = { xM: new Float64Array(size), yM: new Float64Array(size), zM: new Float64Array(size) };
  let segment = 0;
  let reachM = 0;
  const chord = (i: number) => Math.hypot(lap.xM[(i + 1) % n]! - lap.xM[i % n]!, lap.yM[(i + 1) % n]! - lap.yM[i % n]!);
  for (let i = 0; i < size; i++) {
    while (segment < n - 1 && reachM + chord(segment) < i * stepM) {
      reachM += chord(segment);
      segment += 1;
    }
    const part = (i * stepM - reachM) / (chord(segment) || 1);
    for (const axis of ['xM', 'yM', 'zM'] as const) {
      const from = lap[axis][segment]!;
      even[axis][i] = from + part * (lap[axis][(segment + 1) % n]! - from);
    }
  }
  return even;
}

/**
 * Smooths values on a ring: least squares with a penalty on the third difference (Whittaker–Henderson), which keeps the
 * radius of corners where a moving average would shrink it.
 *
 * @param halfWave length of the waves that are halved, in steps
 */
function smooth(values: Float64Array, halfWave: number): Float64Array {
  const n = values.length;
  const penalty = 1 / (2 * Math.sin(Math.PI / halfWave)) ** 6;
  const system = new RingMatrix(n, 3);
  const difference = [-1, 3, -3, 1];
  for (let i = 0; i < n; i++) {
    system.add(i, i, 1);
    for (let a = 0; a < 4; a++) {
      for (let b = 0; b <= a; b++) {
        system.add((i + a) % n, (i + b) % n, penalty * difference[a]! * difference[b]!);
      }
    }
  }
  return system.solve(values);
}
