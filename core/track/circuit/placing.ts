import type { LinePoint, Origin } from './circuit-file';
import { middleOf, toPlane, type LatLon } from './plane';

interface PlanePoint {
  readonly xM: number;
  readonly yM: number;
}

/** A place that is known twice: on a sheet of some scale and turn, and on the globe. */
export interface KnownPlace extends PlanePoint, LatLon {}

/** How a sheet lies on the ground: grown, turned and moved, never bent. */
export interface Placing {
  readonly scale: number;
  /** Anticlockwise, radians. */
  readonly turnRad: number;
  /** This place of the sheet lies at that one on the ground. */
  readonly from: PlanePoint;
  readonly to: PlanePoint;
}

/** Nearer together, two places say nothing of scale and turn. */
const NEAREST_M = 0.5;

/** The placing by which two places come to lie where they are known to; nothing where two of them are one. */
export function placingBy(
  [a, b]: readonly [PlanePoint, PlanePoint],
  [onA, onB]: readonly [PlanePoint, PlanePoint],
): Placing | undefined {
  const [across, on] = [vector(a, b), vector(onA, onB)];
  if (across.lengthM < NEAREST_M || on.lengthM < NEAREST_M) return undefined;
  return { scale: on.lengthM / across.lengthM, turnRad: on.angleRad - across.angleRad, from: a, to: onA };
}

/** The placing of a sheet by two places that are known on the globe, and the origin of the plane on which it lies then. */
export function placingOnGlobe(
  places: readonly [KnownPlace, KnownPlace],
): { placing: Placing; origin: Origin } | undefined {
  const origin = middleOf(places);
  const [a, b] = places;
  const placing = placingBy([a, b], [toPlane(a, origin), toPlane(b, origin)]);
  return placing && { placing, origin };
}

/** Where a place of the sheet lies on the ground. */
export function placed<P extends PlanePoint>(point: P, { scale, turnRad, from, to }: Placing): P {
  const [x, y] = [(point.xM - from.xM) * scale, (point.yM - from.yM) * scale];
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  return { ...point, xM: to.xM + x * cos - y * sin, yM: to.yM + x * sin + y * cos };
}

/** Heights at some places along a lap, `atM` from the start line; between them the road rises evenly, also over the line. */
export function withHeights(
  line: readonly LinePoint[],
  heights: readonly { readonly atM: number; readonly zM: number }[],
): LinePoint[] {
  if (heights.length === 0) return line.map(({ zM: _, ...point }) => point);
  const known = [...heights].sort((a, b) => a.atM - b.atM);
  const along: number[] = [0];
  line.forEach((point, i) => along.push(along[i]! + vector(point, line[(i + 1) % line.length]!).lengthM));
  const lengthM = along.at(-1)!;
  return line.map((point, i) => {
    const atM = along[i]!;
    const next = known.findIndex((one) => one.atM > atM);
    const after = next < 0 ? { ...known[0]!, atM: known[0]!.atM + lengthM } : known[next]!;
    const last = known.at(-1)!;
    const before = next === 0 ? { ...last, atM: last.atM - lengthM } : next < 0 ? last : known[next - 1]!;
    const gapM = after.atM - before.atM;
    const share = gapM > 0 ? (atM - before.atM) / gapM : 0;
    return { ...point, zM: Math.round((before.zM + share * (after.zM - before.zM)) * 100) / 100 };
  });
}

function vector(a: PlanePoint, b: PlanePoint): { readonly lengthM: number; readonly angleRad: number } {
  const [x, y] = [b.xM - a.xM, b.yM - a.yM];
  return { lengthM: Math.hypot(x, y), angleRad: Math.atan2(y, x) };
}
