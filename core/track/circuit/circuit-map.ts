import * as z from 'zod';
import { cornerSteps } from './circuit-file';

/**
 * What is known of a circuit's shape: enough to draw it and to say where on the lap something is. Distances run from the
 * start line in driving direction, in metres along the line.
 */
const distanceM = z.number().min(0).max(30_000);
const coordinateM = z.number().min(-20_000).max(20_000);

export const circuitMap = z.strictObject({
  /** The centre line, closed: from the start line round, the first point not repeated. East and north, metres. */
  line: z
    .array(z.strictObject({ xM: coordinateM, yM: coordinateM }))
    .min(20, 'expected at least 20 points')
    .max(5000),
  /** Where the way out of the pits joins. */
  pitExitM: distanceM,
  /** Where the way into the pits leaves. */
  pitEntryM: distanceM,
  corners: z
    .array(z.strictObject({ name: z.string().min(1).max(60), atM: distanceM, steps: cornerSteps.optional() }))
    .max(60),
  /** Speed along an ordinary lap, in rising order of place; without it all places are passed equally fast. */
  speeds: z
    .array(z.strictObject({ atM: distanceM, kmh: z.number().min(5).max(450) }))
    .max(2000)
    .optional(),
});
export type CircuitMap = z.output<typeof circuitMap>;

export interface PointM {
  readonly xM: number;
  readonly yM: number;
}

/** The line of a map, measured: places by their share of the lap, 0…1 from the start line. */
export interface MeasuredLine {
  readonly lengthM: number;
  /** The point at a share of the lap; whole laps are left out. */
  readonly at: (share: number) => PointM;
  /** The share of the lap that lies nearest to a point. */
  readonly nearest: (point: PointM) => number;
}

export function measure(line: CircuitMap['line']): MeasuredLine {
  const reach = [0];
  line.forEach((from, index) => {
    const to = line[(index + 1) % line.length]!;
    reach.push(reach[index]! + Math.hypot(to.xM - from.xM, to.yM - from.yM));
  });
  const lengthM = reach.at(-1)!;
  const at = (share: number): PointM => {
    const alongM = (share - Math.floor(share)) * lengthM;
    let [low, high] = [0, line.length];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (reach[middle]! <= alongM) low = middle;
      else high = middle;
    }
    const [from, to] = [line[low]!, line[(low + 1) % line.length]!];
    const part = (alongM - reach[low]!) / (reach[low + 1]! - reach[low]! || 1);
    return { xM: from.xM + part * (to.xM - from.xM), yM: from.yM + part * (to.yM - from.yM) };
  };
  const nearest = (point: PointM): number => {
    let [best, bestM] = [0, Infinity];
    line.forEach((from, index) => {
      const to = line[(index + 1) % line.length]!;
      const [dx, dy] = [to.xM - from.xM, to.yM - from.yM];
      const along = ((point.xM - from.xM) * dx + (point.yM - from.yM) * dy) / (dx * dx + dy * dy || 1);
      const part = Math.min(1, Math.max(0, along));
      const offM = Math.hypot(from.xM + part * dx - point.xM, from.yM + part * dy - point.yM);
      if (offM < bestM) [best, bestM] = [reach[index]! + part * (reach[index + 1]! - reach[index]!), offM];
    });
    return (best / lengthM) % 1;
  };
  return { lengthM, at, nearest };
}
