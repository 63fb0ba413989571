import { measure, type CircuitMap, type PointM } from '@core/circuit';

/** A circuit's line laid out for drawing: a view box and places on it. */
export interface CircuitPlan {
  readonly viewBox: string;
  /** Diameter of the box, in its own units; marks are sized by it. */
  readonly size: number;
  readonly path: string;
  readonly at: (place: number) => { readonly x: number; readonly y: number };
  readonly nearest: (x: number, y: number) => number;
  /** Share of the lap where the pit exit joins and the way in leaves. */
  readonly pitExit: number;
  readonly pitEntry: number;
  readonly corners: readonly {
    readonly name: string;
    readonly x: number;
    readonly y: number;
    readonly left: boolean;
  }[];
}

const MARGIN = 0.09;
/** Points of the ring that stands for a circuit without a map. */
const RING_POINTS = 72;

/** Lays a map out, or a ring where there is none; it runs clockwise from the top. */
export function circuitPlan(map: CircuitMap | undefined): CircuitPlan {
  const line = map?.line ?? ring();
  const measured = measure(line);
  const flat = (point: PointM) => ({ x: point.xM, y: -point.yM });
  const points = line.map(flat);
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const size = Math.max(width, height);
  const margin = MARGIN * size;
  const box = [left - margin, top - margin, width + 2 * margin, height + 2 * margin].map((value) => value.toFixed(1));
  const middle = left + width / 2;
  return {
    viewBox: box.join(' '),
    size,
    path: `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`,
    at: (place) => flat(measured.at(place)),
    nearest: (x, y) => measured.nearest({ xM: x, yM: -y }),
    pitExit: (map?.pitExitM ?? 0) / measured.lengthM,
    pitEntry: (map?.pitEntryM ?? 0) / measured.lengthM,
    corners: (map?.corners ?? []).map(({ name, atM }) => {
      const { x, y } = flat(measured.at(atM / measured.lengthM));
      return { name, x, y, left: x < middle };
    }),
  };
}

function ring(): PointM[] {
  return Array.from({ length: RING_POINTS }, (_, step) => {
    const turn = (2 * Math.PI * step) / RING_POINTS;
    return { xM: 300 * Math.sin(turn), yM: 300 * Math.cos(turn) };
  });
}
