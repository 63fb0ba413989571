import { type Fault, median } from '../../values';
import type { Circuit, LinePoint } from './circuit-file';
import { SegmentGrid, type FlatPoint } from './segment-grid';

const LEAST_POINTS = 20;
const MOST_JUMP_M = 200;
const MOST_JUMP_SPACINGS = 20;
const SHORTEST_M = 200;
const LONGEST_M = 30_000;
/** Room that a car needs beside it, together. */
const LEAST_ROOM_M = 0.6;

/**
 * What makes a circuit unusable, each with its place; empty where nothing does.
 *
 * @param carWidthM width of the widest car that is to get round, where one is known
 */
export function circuitFaults({ line }: Pick<Circuit, 'line'>, carWidthM = 0): Fault[] {
  const faults: Fault[] = [];
  if (line.length < LEAST_POINTS) {
    faults.push({ path: 'line', message: `expected at least ${LEAST_POINTS} points, got ${line.length}` });
  }
  const spacings = line.map((point, i) => distanceM(point, line[(i + 1) % line.length]!));
  const reach = [0];
  for (const spacing of spacings) reach.push(reach.at(-1)! + spacing);
  const lengthM = reach.at(-1)!;
  if (lengthM < SHORTEST_M) {
    const hint =
      lengthM * 1000 >= SHORTEST_M && lengthM * 1000 <= LONGEST_M ? '; are these kilometres or degrees?' : '';
    faults.push({ path: 'line', message: `a lap of ${metres(lengthM)} is under ${SHORTEST_M} m${hint}` });
  } else if (lengthM > LONGEST_M) {
    faults.push({ path: 'line', message: `a lap of ${metres(lengthM)} is over ${LONGEST_M / 1000} km` });
  }
  const ordinaryM = spacings.length > 0 ? median(spacings) : 0;
  const place = (i: number) => `line[${i}]`;
  const whereAt = (i: number) => `${Math.round(reach[i]!)} m from the start line`;
  spacings.forEach((spacing, i) => {
    const next = i === line.length - 1 ? 'back to the first point' : 'to the next point';
    if (spacing === 0) {
      faults.push({ path: place(i), message: `stands twice in the same place, ${whereAt(i)}` });
    } else if (spacing > MOST_JUMP_M || (ordinaryM > 0 && spacing > MOST_JUMP_SPACINGS * ordinaryM)) {
      const open = i === line.length - 1 ? 'the line is not closed: ' : '';
      faults.push({ path: place(i), message: `${open}a jump of ${metres(spacing)} ${next}, ${whereAt(i)}` });
    }
  });
  line.forEach(({ leftM, rightM }, i) => {
    for (const [side, widthM] of [
      ['left', leftM],
      ['right', rightM],
    ] as const) {
      if (!(widthM > 0)) {
        faults.push({
          path: place(i),
          message: `the width to the ${side} must be over 0, got ${widthM}, ${whereAt(i)}`,
        });
      }
    }
    if (carWidthM > 0 && leftM > 0 && rightM > 0 && leftM + rightM < carWidthM + LEAST_ROOM_M) {
      const least = (carWidthM + LEAST_ROOM_M).toFixed(2);
      faults.push({
        path: place(i),
        message: `the road is ${(leftM + rightM).toFixed(2)} m wide, this car needs ${least} m, ${whereAt(i)}`,
      });
    }
  });
  if (faults.length === 0) {
    const crossing = crossingOf(line, line);
    if (crossing) {
      faults.push({ path: place(crossing[0]), message: `the line crosses itself, ${whereAt(crossing[0])}` });
    }
  }
  return faults;
}

const metres = (value: number) => (value < 10 ? `${value.toPrecision(2)} m` : `${Math.round(value)} m`);
const distanceM = (a: LinePoint, b: LinePoint) => Math.hypot(b.xM - a.xM, b.yM - a.yM);

/** The first pair of stretches, of one closed line or of two, that cross; neighbours of one line are passed over. */
export function crossingOf(one: readonly FlatPoint[], other: readonly FlatPoint[]): [number, number] | undefined {
  const same = one === other;
  const grid = new SegmentGrid(other);
  for (let i = 0; i < one.length; i++) {
    const [a, b] = [one[i]!, one[(i + 1) % one.length]!];
    for (const j of grid.touching(a, b)) {
      if (same && (j < i + 2 || (i === 0 && j === other.length - 1))) continue;
      const [c, d] = grid.endsOf(j);
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return [i, j];
    }
  }
  return undefined;
}

const side = (a: FlatPoint, b: FlatPoint, p: FlatPoint) =>
  (b.xM - a.xM) * (p.yM - a.yM) - (b.yM - a.yM) * (p.xM - a.xM);
