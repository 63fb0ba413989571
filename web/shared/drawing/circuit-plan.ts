import { measure, type CircuitMap, type PointM } from '@core/track/circuit';

/** A circuit's line laid out for drawing: a view box and places on it. */
export interface CircuitPlan {
  readonly viewBox: string;
  /** Diameter of the box, in its own units; marks are sized by it. */
  readonly size: number;
  readonly path: string;
  readonly at: (place: number) => { readonly x: number; readonly y: number };
  readonly nearest: (x: number, y: number) => number;
  /** Share of the lap where the pit exit joins. */
  readonly pitExit: number;
  readonly corners: readonly CornerLabel[];
}

/** Where a corner's name stands: beside the road, on its outer side. */
interface CornerLabel {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** Room around the line for names, as shares of its size. */
const MARGIN_X = 0.15;
const MARGIN_Y = 0.09;
/** How far from the middle of the road a name stands, and over how much of the lap the road's direction is taken. */
const LABEL_OFF = 0.055;
const DIRECTION_SPAN = 0.004;
/** How far from the road its neighbourhood is looked at, and how much less room is enough on the outer side. */
const ROOM = 0.09;
const LESS_ROOM = 0.9;
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
  const [mx, my] = [MARGIN_X * size, MARGIN_Y * size];
  const box = [left - mx, top - my, width + 2 * mx, height + 2 * my].map((value) => value.toFixed(1));
  const middle = { x: left + width / 2, y: top + height / 2 };
  return {
    viewBox: box.join(' '),
    size,
    path: `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`,
    at: (place) => flat(measured.at(place)),
    nearest: (x, y) => measured.nearest({ xM: x, yM: -y }),
    pitExit: (map?.pitExitM ?? 0) / measured.lengthM,
    corners: (map?.corners ?? []).map(({ name, atM }) => {
      const place = atM / measured.lengthM;
      const at = flat(measured.at(place));
      const [before, after] = [flat(measured.at(place - DIRECTION_SPAN)), flat(measured.at(place + DIRECTION_SPAN))];
      const along = Math.hypot(after.x - before.x, after.y - before.y) || 1;
      const normal = { x: (after.y - before.y) / along, y: -(after.x - before.x) / along };
      // On the outer side, unless the road comes back there, as inside a bend that turns the other way.
      const outward = normal.x * (at.x - middle.x) + normal.y * (at.y - middle.y) >= 0 ? 1 : -1;
      const roomOn = (side: number) => {
        const beside = { x: at.x + side * normal.x * ROOM * size, y: at.y + side * normal.y * ROOM * size };
        return Math.min(...points.map(({ x, y }) => Math.hypot(x - beside.x, y - beside.y)));
      };
      const side = roomOn(outward) >= roomOn(-outward) * LESS_ROOM ? outward : -outward;
      const [dx, dy] = [side * normal.x, side * normal.y];
      const anchor = Math.abs(dx) < 0.5 ? 'middle' : dx > 0 ? 'start' : 'end';
      return { name, x: at.x + dx * LABEL_OFF * size, y: at.y + (dy * LABEL_OFF + 0.01) * size, anchor };
    }),
  };
}

function ring(): PointM[] {
  return Array.from({ length: RING_POINTS }, (_, step) => {
    const turn = (2 * Math.PI * step) / RING_POINTS;
    return { xM: 300 * Math.sin(turn), yM: 300 * Math.cos(turn) };
  });
}
