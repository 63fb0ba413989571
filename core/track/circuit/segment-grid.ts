/** A point in the plane, metres. */
export interface FlatPoint {
  readonly xM: number;
  readonly yM: number;
}

/** A stretch over more cells than this is looked at with every question. */
const MOST_CELLS = 400;

/**
 * The stretches of a closed line, sorted into square cells, so that what lies near a place is found without looking at
 * all of them. Made in a time that grows with the length of the line.
 */
export class SegmentGrid {
  private readonly cells = new Map<string, number[]>();
  private readonly long: number[] = [];
  private readonly cellM: number;

  constructor(private readonly line: readonly FlatPoint[]) {
    const lengthM = line.reduce((sum, a, i) => {
      const b = line[(i + 1) % line.length]!;
      return sum + Math.hypot(b.xM - a.xM, b.yM - a.yM);
    }, 0);
    const span = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
    const extentM = line.length === 0 ? 0 : Math.max(span(line.map(({ xM }) => xM)), span(line.map(({ yM }) => yM)));
    const n = Math.max(1, line.length);
    // About as many cells across as there are stretches in one: neither is looked through for long.
    this.cellM = Math.max(0.1, (2 * lengthM) / n, extentM / Math.sqrt(n));
    line.forEach((_, i) => {
      const cells = this.cellsOf(...this.endsOf(i));
      if (!cells) this.long.push(i);
      else {
        for (const cell of cells) {
          const known = this.cells.get(cell);
          if (known) known.push(i);
          else this.cells.set(cell, [i]);
        }
      }
    });
  }

  /** Both ends of the stretch that begins at a point. */
  endsOf(i: number): [FlatPoint, FlatPoint] {
    return [this.line[i]!, this.line[(i + 1) % this.line.length]!];
  }

  /** The stretches that may touch the box of two points, by their beginning, in order. */
  touching(a: FlatPoint, b: FlatPoint): number[] {
    const cells = this.cellsOf(a, b);
    if (!cells) return this.line.map((_, i) => i);
    const found = new Set(this.long);
    for (const cell of cells) for (const i of this.cells.get(cell) ?? []) found.add(i);
    return [...found].sort((x, y) => x - y);
  }

  /** The stretches among which the one nearest to a point is. */
  around(point: FlatPoint): number[] {
    for (let reach = 1; reach <= 2 ** 12; reach *= 2) {
      const [near, sure] = [this.within(point, reach * this.cellM), this.within(point, 2 * reach * this.cellM)];
      // What lies in the corner of a box is further than what lies just beyond its side.
      if (near.length > 0) return sure;
    }
    return this.line.map((_, i) => i);
  }

  private within({ xM, yM }: FlatPoint, reachM: number): number[] {
    return this.touching({ xM: xM - reachM, yM: yM - reachM }, { xM: xM + reachM, yM: yM + reachM });
  }

  /** Cells of the box of two points; nothing where there are too many. */
  private cellsOf(a: FlatPoint, b: FlatPoint): string[] | undefined {
    const span = (one: number, other: number) =>
      [Math.floor(Math.min(one, other) / this.cellM), Math.floor(Math.max(one, other) / this.cellM)] as const;
    const [[left, right], [low, high]] = [span(a.xM, b.xM), span(a.yM, b.yM)];
    if ((right - left + 1) * (high - low + 1) > MOST_CELLS) return undefined;
    const cells: string[] = [];
    for (let x = left; x <= right; x++) for (let y = low; y <= high; y++) cells.push(`${x} ${y}`);
    return cells;
  }
}
