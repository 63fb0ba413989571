import { averageLaps } from './average-laps';
import { circuitFile, type Circuit, type LinePoint } from './circuit-file';
import { middleOf, toPlane, type LatLon } from './plane';

/** Where a receiver was, and how high if it knows. */
export interface TrackPoint extends LatLon {
  readonly zM?: number | undefined;
}

export interface TrackOptions {
  readonly name: string;
  /** How far the road reaches to the left and right of where the receiver was, metres. */
  readonly widthM: readonly [left: number, right: number];
  /** Where laps are cut; at the first point where not given. */
  readonly start?: LatLon | undefined;
}

export type TrackRead =
  | {
      readonly ok: true;
      readonly circuit: Circuit;
      /** How many were found and averaged. */
      readonly laps: number;
      /** Whether every point had a height. */
      readonly hilly: boolean;
    }
  | { readonly ok: false; readonly message: string };

/** Fewer points are no lap. */
const FEWEST_POINTS = 20;

/**
 * A circuit from where a receiver was carried round, one lap or several: cut at the start, smoothed, aligned by distance
 * and averaged. A lap time from such a line is good to a few per cent.
 */
export function circuitOfTrack(points: readonly TrackPoint[], { name, widthM, start }: TrackOptions): TrackRead {
  if (points.length < FEWEST_POINTS) {
    return { ok: false, message: `expected at least ${FEWEST_POINTS} points, got ${points.length}` };
  }
  const origin = middleOf(points);
  const hilly = points.every(({ zM }) => zM !== undefined);
  const track = points.map((one) => ({ ...toPlane(one, origin), zM: hilly ? one.zM! : 0 }));
  const averaged = averageLaps(track, start ? toPlane(start, origin) : track[0]!);
  if (!averaged.ok) return averaged;
  const [leftM, rightM] = widthM;
  const line = averaged.points.map(({ xM, yM, zM }): LinePoint => ({
    ...{ xM, yM, leftM, rightM },
    ...(hilly ? { zM } : {}),
  }));
  return { ok: true, circuit: circuitFile.parse({ name, origin, line }), laps: averaged.laps, hilly };
}

/** Nearer than this to where it began, one has come round. */
const ROUND_M = 20;
/** So far one has to have been away. */
const AWAY_M = 60;

/** How far a receiver was carried, and how often it has come round to where it began. */
export function progressOfTrack(points: readonly TrackPoint[]): { readonly lengthM: number; readonly rounds: number } {
  const [first] = points;
  if (!first) return { lengthM: 0, rounds: 0 };
  const track = points.map((point) => toPlane(point, first));
  let [lengthM, rounds, away] = [0, 0, false];
  track.forEach((point, i) => {
    const before = track[i - 1] ?? point;
    lengthM += Math.hypot(point.xM - before.xM, point.yM - before.yM);
    const fromStartM = Math.hypot(point.xM, point.yM);
    if (fromStartM > AWAY_M) away = true;
    else if (away && fromStartM < ROUND_M) [rounds, away] = [rounds + 1, false];
  });
  return { lengthM, rounds };
}
