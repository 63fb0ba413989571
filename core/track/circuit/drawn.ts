import { centreLineOf } from './centre-line';
import { circuitFile, type Circuit, type Origin } from './circuit-file';

/** A place on the sheet, east and north, metres. */
export interface DrawnPoint {
  readonly xM: number;
  readonly yM: number;
}

/** A circuit as somebody draws it: places along its middle in driving direction, the first one at the start line. */
export interface DrawnCircuit {
  readonly name: string;
  readonly points: readonly DrawnPoint[];
  /** Of the whole road. */
  readonly widthM: number;
  /** Where the sheet lies on the globe, if that is known. */
  readonly origin?: Origin | undefined;
}

/** A ring needs so many places. */
export const FEWEST_DRAWN = 4;
/** So far apart the points of the circuit lie that comes of it, to be moved one by one later. */
const POINT_EVERY_M = 12;

/**
 * A circuit from a drawing: a smooth ring through its places. What is not known of it, such as heights and the way into
 * the pits, is left out.
 *
 * @returns nothing where there are too few places for a ring
 */
export function circuitOfDrawing({ name, points, widthM, origin }: DrawnCircuit): Circuit | undefined {
  if (points.length < FEWEST_DRAWN) return undefined;
  const half = widthM / 2;
  const centre = centreLineOf(
    points.map((point) => ({ ...point, leftM: half, rightM: half })),
    POINT_EVERY_M,
  );
  const tenth = (value: number) => Math.round(value * 10) / 10;
  const line = Array.from(centre.xM, (xM, i) => ({
    xM: tenth(xM),
    yM: tenth(centre.yM[i]!),
    leftM: tenth(half),
    rightM: tenth(half),
  }));
  return circuitFile.parse({ name: name.trim() || 'Circuit', ...(origin && { origin }), line });
}
