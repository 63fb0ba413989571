/** A value and its first two derivatives at a place of a spline. */
export interface SplineValue {
  readonly value: number;
  readonly first: number;
  readonly second: number;
}

/**
 * Second derivatives of the periodic cubic spline through values at knots (de Boor, *A Practical Guide to Splines*,
 * chapter IV). The cyclic tridiagonal system is solved by the Sherman–Morrison formula.
 *
 * @param gaps distance from each knot to the next; the last one back to the first
 * @param values one a knot
 */
export function splineBends(gaps: Float64Array, values: Float64Array): Float64Array {
  const n = values.length;
  const main = new Float64Array(n);
  const right = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const before = gaps[(i + n - 1) % n]!;
    const after = gaps[i]!;
    main[i] = 2 * (before + after);
    right[i] = 6 * ((values[(i + 1) % n]! - values[i]!) / after - (values[i]! - values[(i + n - 1) % n]!) / before);
  }
  // Row i: gaps[i−1] · m[i−1] + main · m[i] + gaps[i] · m[i+1]; the corners of the matrix are gaps[n−1].
  const corner = gaps[n - 1]!;
  const gamma = -main[0]!;
  main[0]! -= gamma;
  main[n - 1]! -= (corner * corner) / gamma;
  const unit = new Float64Array(n);
  unit[0] = gamma;
  unit[n - 1] = corner;
  const x = tridiagonal(gaps, main, right);
  const y = tridiagonal(gaps, main, unit);
  const factor = (x[0]! + (corner * x[n - 1]!) / gamma) / (1 + y[0]! + (corner * y[n - 1]!) / gamma);
  return x.map((value, i) => value - factor * y[i]!);
}

function tridiagonal(off: Float64Array, main: Float64Array, right: Float64Array): Float64Array {
  const n = main.length;
  const diagonal = Float64Array.from(main);
  const x = Float64Array.from(right);
  for (let i = 1; i < n; i++) {
    const factor = off[i - 1]! / diagonal[i - 1]!;
    diagonal[i]! -= factor * off[i - 1]!;
    x[i]! -= factor * x[i - 1]!;
  }
  x[n - 1]! /= diagonal[n - 1]!;
  for (let i = n - 2; i >= 0; i--) x[i] = (x[i]! - off[i]! * x[i + 1]!) / diagonal[i]!;
  return x;
}

/** A closed curve through points: a periodic cubic spline over the lengths of its chords. */
export class ClosedCurve {
  /** Length of the chord from each point to the next. */
  readonly gaps: Float64Array;
  private readonly bends: readonly Float64Array[];
  /** Length of the curve up to each point; the last is that of the whole curve. */
  readonly reachM: Float64Array;

  /** @param axes coordinates of the points, an array for each of x and y; at least three points, no two neighbours equal */
  constructor(private readonly axes: readonly [Float64Array, Float64Array]) {
    const [x, y] = axes;
    const n = x.length;
    this.gaps = Float64Array.from({ length: n }, (_, i) =>
      Math.hypot(x[(i + 1) % n]! - x[i]!, y[(i + 1) % n]! - y[i]!),
    );
    this.bends = axes.map((axis) => splineBends(this.gaps, axis));
    this.reachM = new Float64Array(n + 1);
    for (let i = 0; i < n; i++) this.reachM[i + 1] = this.reachM[i]! + this.segmentM(i, this.gaps[i]!);
  }

  get points(): number {
    return this.gaps.length;
  }

  get lengthM(): number {
    return this.reachM[this.points]!;
  }

  /** Where the curve is `along` metres of chord after a point. */
  at(axis: 0 | 1, segment: number, along: number): SplineValue {
    return splineAt(this.gaps, this.axes[axis], this.bends[axis]!, segment, along);
  }

  private speed(segment: number, along: number): number {
    return Math.hypot(this.at(0, segment, along).first, this.at(1, segment, along).first);
  }

  /** Length of the curve from a point to `along`, by Gauss–Legendre quadrature with five nodes. */
  segmentM(segment: number, along: number): number {
    let sum = 0;
    for (const [node, weight] of GAUSS) sum += weight * this.speed(segment, (along / 2) * (1 + node));
    return (along / 2) * sum;
  }

  /** The segment, and the metres of chord along it, at a distance along the curve, `0 ≤ s < lengthM`. */
  locate(s: number, from = 0): { segment: number; along: number } {
    let segment = from;
    while (segment < this.points - 1 && this.reachM[segment + 1]! <= s) segment += 1;
    const targetM = s - this.reachM[segment]!;
    let along = (targetM / (this.reachM[segment + 1]! - this.reachM[segment]!)) * this.gaps[segment]!;
    for (let turn = 0; turn < 4; turn++) {
      const off = this.segmentM(segment, along) - targetM;
      if (Math.abs(off) < 1e-9) break;
      along -= off / this.speed(segment, along);
    }
    return { segment, along };
  }
}

/** A periodic spline at `along` after a knot. */
export function splineAt(
  gaps: Float64Array,
  values: Float64Array,
  bends: Float64Array,
  segment: number,
  along: number,
): SplineValue {
  const next = (segment + 1) % values.length;
  const h = gaps[segment]!;
  const a = values[segment]!;
  const b = values[next]!;
  const p = bends[segment]!;
  const q = bends[next]!;
  const slope = (b - a) / h - (h * (2 * p + q)) / 6;
  const third = (q - p) / h;
  return {
    value: a + along * (slope + along * (p / 2 + (along * third) / 6)),
    first: slope + along * (p + (along * third) / 2),
    second: p + along * third,
  };
}

const GAUSS: readonly (readonly [number, number])[] = [
  [0, 0.5688888888888889],
  [-0.5384693101056831, 0.47862867049936647],
  [0.5384693101056831, 0.47862867049936647],
  [-0.906179845938664, 0.23692688505618908],
  [0.906179845938664, 0.23692688505618908],
];
