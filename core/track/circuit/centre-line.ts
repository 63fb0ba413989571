import { around } from './around';
import type { LinePoint } from './circuit-file';
import { ClosedCurve, splineAt, splineBends } from './spline';

/**
 * A line along which a car is driven, at even distances: the centre line or one beside it. Each array has one value a
 * station; the last station is followed by the first.
 */
export interface DrivenLine {
  /** Distance from station to station, in plan, metres. */
  readonly stepM: number;
  /** Length of the closed line in plan. */
  readonly lengthM: number;
  readonly xM: Float64Array;
  readonly yM: Float64Array;
  /** Curvature, 1/m; positive where the line turns left. */
  readonly curvature: Float64Array;
  /** Rise over run, `tan θ`. */
  readonly slope: Float64Array;
  /** Where the station lies along the centre line. */
  readonly centreM: Float64Array;
  /** How far it lies to the left of the centre line. */
  readonly offsetM: Float64Array;
}

/** The centre line, with what belongs to it only. */
export interface CentreLine extends DrivenLine {
  readonly zM: Float64Array;
  /** How far the road reaches to either side, metres. */
  readonly leftM: Float64Array;
  readonly rightM: Float64Array;
  /** The way to the left, a unit vector. */
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  /** Whether heights are known. */
  readonly hilly: boolean;
}

/**
 * Resamples a circuit's points: a periodic cubic spline through them, cut at even distances, not smoothed. Widths are
 * taken to change evenly from point to point, heights by a spline of their own.
 *
 * @param points at least three, no two neighbours in the same place
 * @param stepM distance wanted between stations; it is fitted to the length
 */
export function centreLineOf(points: readonly LinePoint[], stepM = 2): CentreLine {
  const axis = (of: (point: LinePoint) => number) => Float64Array.from(points, of);
  const curve = new ClosedCurve([axis(({ xM }) => xM), axis(({ yM }) => yM)]);
  const lengthM = curve.lengthM;
  const size = Math.max(12, Math.round(lengthM / stepM));
  const exactM = lengthM / size;
  const hilly = points.some(({ zM }) => zM !== undefined && zM !== points[0]!.zM);
  const heights = axis(({ zM }) => zM ?? 0);
  const heightBends = splineBends(curve.gaps, heights);

  const line = {
    stepM: exactM,
    lengthM,
    hilly,
    ...arraysOf(size, ['xM', 'yM', 'zM', 'curvature', 'slope', 'centreM', 'offsetM', 'leftM', 'rightM']),
    ...arraysOf(size, ['normalX', 'normalY']),
  };
  let segment = 0;
  for (let i = 0; i < size; i++) {
    const found = curve.locate(i * exactM, segment);
    segment = found.segment;
    const next = points[(segment + 1) % points.length]!;
    const x = curve.at(0, segment, found.along);
    const y = curve.at(1, segment, found.along);
    const z = splineAt(curve.gaps, heights, heightBends, segment, found.along);
    const speed = Math.hypot(x.first, y.first);
    const part = found.along / curve.gaps[segment]!;
    line.xM[i] = x.value;
    line.yM[i] = y.value;
    line.zM[i] = z.value;
    line.curvature[i] = (x.first * y.second - y.first * x.second) / speed ** 3;
    line.slope[i] = z.first / speed;
    line.centreM[i] = i * exactM;
    line.leftM[i] = points[segment]!.leftM + part * (next.leftM - points[segment]!.leftM);
    line.rightM[i] = points[segment]!.rightM + part * (next.rightM - points[segment]!.rightM);
    line.normalX[i] = -y.first / speed;
    line.normalY[i] = x.first / speed;
  }
  return line;
}

/** A line beside the centre line, from its offsets at the centre line's stations, resampled by its own length. */
export function lineBeside(centre: CentreLine, offsetsM: Float64Array, stepM = centre.stepM): DrivenLine {
  const n = offsetsM.length;
  const curve = new ClosedCurve([
    Float64Array.from(offsetsM, (offset, i) => centre.xM[i]! + offset * centre.normalX[i]!),
    Float64Array.from(offsetsM, (offset, i) => centre.yM[i]! + offset * centre.normalY[i]!),
  ]);
  const offsetBends = splineBends(curve.gaps, offsetsM);
  const lengthM = curve.lengthM;
  const size = Math.max(12, Math.round(lengthM / stepM));
  const exactM = lengthM / size;
  const line = {
    stepM: exactM,
    lengthM,
    ...arraysOf(size, ['xM', 'yM', 'curvature', 'slope', 'centreM', 'offsetM']),
  };
  let segment = 0;
  for (let i = 0; i < size; i++) {
    const found = curve.locate(i * exactM, segment);
    segment = found.segment;
    const x = curve.at(0, segment, found.along);
    const y = curve.at(1, segment, found.along);
    const speed = Math.hypot(x.first, y.first);
    const part = found.along / curve.gaps[segment]!;
    line.xM[i] = x.value;
    line.yM[i] = y.value;
    line.curvature[i] = (x.first * y.second - y.first * x.second) / speed ** 3;
    line.centreM[i] = (segment + part) * centre.stepM;
    line.offsetM[i] = splineAt(curve.gaps, offsetsM, offsetBends, segment, found.along).value;
    // The height at an offset is that of the centre line; only the way over which it is climbed is another.
    const slope = centre.slope[segment]! + part * (centre.slope[(segment + 1) % n]! - centre.slope[segment]!);
    line.slope[i] = (slope * centre.stepM) / (speed * curve.gaps[segment]!);
  }
  return line;
}

function arraysOf<K extends string>(size: number, names: readonly K[]): Record<K, Float64Array> {
  return Object.fromEntries(names.map((name) => [name, new Float64Array(size)])) as Record<K, Float64Array>;
}

/** Index of the station at a distance along a closed line; whole laps are left out. */
export function stationAt(line: { readonly stepM: number; readonly xM: Float64Array }, atM: number): number {
  return around(Math.round(atM / line.stepM), line.xM.length);
}

/** Where a point lies beside the centre line: how far along, and how far to the left. */
export function besideCentre(centre: CentreLine, xM: number, yM: number): { atM: number; offsetM: number } {
  let best = 0;
  let bestM = Infinity;
  for (let i = 0; i < centre.xM.length; i++) {
    const offM = (centre.xM[i]! - xM) ** 2 + (centre.yM[i]! - yM) ** 2;
    if (offM < bestM) [best, bestM] = [i, offM];
  }
  const dx = xM - centre.xM[best]!;
  const dy = yM - centre.yM[best]!;
  const offsetM = dx * centre.normalX[best]! + dy * centre.normalY[best]!;
  const ahead = dx * centre.normalY[best]! - dy * centre.normalX[best]!;
  const atM = (centre.centreM[best]! + ahead + centre.lengthM) % centre.lengthM;
  return { atM, offsetM };
}

/** The point so far along the centre line and so far to its left. */
export function pointBeside(centre: CentreLine, atM: number, offsetM: number): { xM: number; yM: number } {
  const n = centre.xM.length;
  const along = around(atM, centre.lengthM) / centre.stepM;
  const i = Math.floor(along) % n;
  const next = (i + 1) % n;
  const part = along - Math.floor(along);
  const between = (values: Float64Array) => values[i]! + part * (values[next]! - values[i]!);
  return {
    xM: between(centre.xM) + offsetM * between(centre.normalX),
    yM: between(centre.yM) + offsetM * between(centre.normalY),
  };
}
