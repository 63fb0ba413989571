import type { CentreLine } from './centre-line';
import { RingMatrix } from './ring-solver';

/** How far to either side of the centre line a line may lie, metres to the left, a value a station. */
export interface Corridor {
  readonly lowM: Float64Array;
  readonly highM: Float64Array;
}

/** A place that draws the line to an offset, the stronger the further it is away. */
export interface Pull {
  readonly station: number;
  readonly offsetM: number;
  /** Cost of a metre off, squared; 0.02 bends a line that is free by about a hand's breadth less than wanted. */
  readonly weight: number;
}

/** Weight of the length, 1/m²: settles ovals, where curvature alone hardly fixes the line. */
const LENGTH_WEIGHT = 1e-6;
const MOST_ROUNDS = 40;
const CLOSE_ENOUGH_M = 0.003;

/** What a car of some width may use of the road: the edges less half the car and a margin. */
export function corridorOf(centre: CentreLine, carWidthM: number, marginM = 0.3): Corridor {
  const keepOffM = carWidthM / 2 + marginM;
  return {
    lowM: centre.rightM.map((widthM) => keepOffM - widthM),
    highM: centre.leftM.map((widthM) => widthM - keepOffM),
  };
}

/**
 * The line of minimum curvature within a corridor: the offsets that minimise `∫ (κ² + 1e-6 m⁻²) ds` (Heilmeier et al.,
 * *Vehicle System Dynamics* 58, 2020). The discrete integral is made linear about the line so far (Gauss–Newton), each
 * quadratic problem with its bounds solved by a primal-dual interior point method (Nocedal and Wright, *Numerical
 * Optimization*, chapter 16.6), until no station moves any more.
 *
 * @param pulls places where the line is wanted at some offset
 * @returns offsets to the left, metres, one a station of the centre line
 */
export function minimumCurvature(centre: CentreLine, corridor: Corridor, pulls: readonly Pull[] = []): Float64Array {
  const n = centre.xM.length;
  let offsets: Float64Array = Float64Array.from({ length: n }, (_, i) =>
    Math.min(corridor.highM[i]!, Math.max(corridor.lowM[i]!, 0)),
  );
  let worth = bending(centre, offsets, pulls);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { hessian, gradient } = quadraticAbout(centre, offsets, pulls);
    const wanted = boundedMinimum(hessian, gradient, offsets, corridor);
    let share = 1;
    let next: Float64Array = wanted;
    let nextWorth = bending(centre, next, pulls);
    while (nextWorth > worth && share > 1 / 64) {
      share /= 2;
      next = offsets.map((offset, i) => offset + share * (wanted[i]! - offset));
      nextWorth = bending(centre, next, pulls);
    }
    if (nextWorth > worth) break;
    const moved = next.reduce((most, offset, i) => Math.max(most, Math.abs(offset - offsets[i]!)), 0);
    [offsets, worth] = [next, nextWorth];
    if (moved < CLOSE_ENOUGH_M) break;
  }
  return offsets;
}

/** The discrete `∫ (κ² + ε) ds` of a line, and what its pulls cost. */
function bending(centre: CentreLine, offsets: Float64Array, pulls: readonly Pull[]): number {
  let sum = 0;
  forEachBend(centre, offsets, (_, bend) => {
    sum += bend.curvature ** 2 * bend.weightM + LENGTH_WEIGHT * bend.afterM;
  });
  for (const { station, offsetM, weight } of pulls) sum += weight * (offsets[station]! - offsetM) ** 2;
  return sum;
}

interface Bend {
  readonly before: readonly [number, number];
  readonly after: readonly [number, number];
  readonly beforeM: number;
  readonly afterM: number;
  readonly acrossM: number;
  /** Of the circle through three neighbours, 1/m. */
  readonly curvature: number;
  readonly weightM: number;
}

function forEachBend(centre: CentreLine, offsets: Float64Array, visit: (index: number, bend: Bend) => void): void {
  const n = offsets.length;
  const x = (i: number) => centre.xM[i]! + offsets[i]! * centre.normalX[i]!;
  const y = (i: number) => centre.yM[i]! + offsets[i]! * centre.normalY[i]!;
  for (let i = 0; i < n; i++) {
    const [p, q] = [(i + n - 1) % n, (i + 1) % n];
    const before: [number, number] = [x(i) - x(p), y(i) - y(p)];
    const after: [number, number] = [x(q) - x(i), y(q) - y(i)];
    const beforeM = Math.hypot(...before);
    const afterM = Math.hypot(...after);
    const acrossM = Math.hypot(before[0] + after[0], before[1] + after[1]);
    const cross = before[0] * after[1] - before[1] * after[0];
    const curvature = (2 * cross) / (beforeM * afterM * acrossM);
    visit(i, { before, after, beforeM, afterM, acrossM, curvature, weightM: (beforeM + afterM) / 2 });
  }
}

/** Gradient and Gauss–Newton matrix of the discrete integral about a line. */
function quadraticAbout(centre: CentreLine, offsets: Float64Array, pulls: readonly Pull[]) {
  const n = offsets.length;
  const hessian = new RingMatrix(n, 2);
  const gradient = new Float64Array(n);
  const normal = (i: number): readonly [number, number] => [centre.normalX[i]!, centre.normalY[i]!];
  forEachBend(centre, offsets, (i, bend) => {
    const [p, q] = [(i + n - 1) % n, (i + 1) % n];
    const [[ax, ay], [bx, by]] = [bend.before, bend.after];
    const root = Math.sqrt(bend.weightM);
    const residual = bend.curvature * root;
    /** How the residual answers to a move of one of the three points. */
    const answer = (nx: number, ny: number, inBefore: number, inAfter: number): number => {
      const [dax, day, dbx, dby] = [inBefore * nx, inBefore * ny, inAfter * nx, inAfter * ny];
      const dCross = dax * by - day * bx + ax * dby - ay * dbx;
      const dBefore = (ax * dax + ay * day) / bend.beforeM;
      const dAfter = (bx * dbx + by * dby) / bend.afterM;
      const dAcross = ((ax + bx) * (dax + dbx) + (ay + by) * (day + dby)) / bend.acrossM;
      const dCurvature =
        (2 * dCross) / (bend.beforeM * bend.afterM * bend.acrossM) -
        bend.curvature * (dBefore / bend.beforeM + dAfter / bend.afterM + dAcross / bend.acrossM);
      return dCurvature * root + (bend.curvature * (dBefore + dAfter)) / (4 * root);
    };
    const rows = [p, i, q];
    const answers = [answer(...normal(p), -1, 0), answer(...normal(i), 1, -1), answer(...normal(q), 0, 1)];
    for (let a = 0; a < 3; a++) {
      gradient[rows[a]!]! += 2 * residual * answers[a]!;
      for (let b = 0; b <= a; b++) hessian.add(rows[a]!, rows[b]!, 2 * answers[a]! * answers[b]!);
    }
    // The length from this station to the next.
    const [ni, nq] = [normal(i), normal(q)];
    const [tx, ty] = [bx / bend.afterM, by / bend.afterM];
    const [alongI, alongQ] = [-(ni[0] * tx + ni[1] * ty), nq[0] * tx + nq[1] * ty];
    const [sideI, sideQ] = [-(ni[1] * tx - ni[0] * ty), nq[1] * tx - nq[0] * ty];
    gradient[i]! += LENGTH_WEIGHT * alongI;
    gradient[q]! += LENGTH_WEIGHT * alongQ;
    const stiffness = LENGTH_WEIGHT / bend.afterM;
    hessian.add(i, i, stiffness * sideI * sideI);
    hessian.add(q, q, stiffness * sideQ * sideQ);
    hessian.add(i, q, stiffness * sideI * sideQ);
  });
  for (const { station, offsetM, weight } of pulls) {
    gradient[station]! += 2 * weight * (offsets[station]! - offsetM);
    hessian.add(station, station, 2 * weight);
  }
  return { hessian, gradient };
}

const LEAST_ROOM_M = 1e-4;

/** Minimises `½ dᵀHd + gᵀd` over lines `y = from + d` within the corridor. */
function boundedMinimum(
  hessian: RingMatrix,
  gradient: Float64Array,
  from: Float64Array,
  { lowM, highM }: Corridor,
): Float64Array {
  const n = from.length;
  const linear = hessian.times(from).map((value, i) => gradient[i]! - value);
  const y = Float64Array.from({ length: n }, (_, i) => {
    const room = Math.max(LEAST_ROOM_M, 0.02 * (highM[i]! - lowM[i]!));
    const low = lowM[i]! + room;
    const high = highM[i]! - room;
    return low < high ? Math.min(high, Math.max(low, from[i]!)) : (lowM[i]! + highM[i]!) / 2;
  });
  const roomLow = (i: number) => Math.max(1e-9, y[i]! - lowM[i]!);
  const roomHigh = (i: number) => Math.max(1e-9, highM[i]! - y[i]!);
  let press = 1e-4;
  const pressLow = Float64Array.from({ length: n }, (_, i) => press / roomLow(i));
  const pressHigh = Float64Array.from({ length: n }, (_, i) => press / roomHigh(i));
  const system = new RingMatrix(n, 2);
  for (let round = 0; round < 60; round++) {
    let gap = 0;
    for (let i = 0; i < n; i++) gap += pressLow[i]! * roomLow(i) + pressHigh[i]! * roomHigh(i);
    gap /= 2 * n;
    if (gap < 1e-13) break;
    press = 0.15 * gap;
    system.copyFrom(hessian);
    const right = hessian.times(y);
    for (let i = 0; i < n; i++) {
      system.add(i, i, pressLow[i]! / roomLow(i) + pressHigh[i]! / roomHigh(i) + 1e-14);
      right[i] = -(right[i]! + linear[i]!) + press / roomLow(i) - press / roomHigh(i);
    }
    const step = system.solve(right);
    const stepLow = step.map((d, i) => press / roomLow(i) - pressLow[i]! - (pressLow[i]! * d) / roomLow(i));
    const stepHigh = step.map((d, i) => press / roomHigh(i) - pressHigh[i]! + (pressHigh[i]! * d) / roomHigh(i));
    let share = 1;
    let dualShare = 1;
    for (let i = 0; i < n; i++) {
      const d = step[i]!;
      if (d < 0) share = Math.min(share, (-0.99 * roomLow(i)) / d);
      else if (d > 0) share = Math.min(share, (0.99 * roomHigh(i)) / d);
      if (stepLow[i]! < 0) dualShare = Math.min(dualShare, (-0.99 * pressLow[i]!) / stepLow[i]!);
      if (stepHigh[i]! < 0) dualShare = Math.min(dualShare, (-0.99 * pressHigh[i]!) / stepHigh[i]!);
    }
    for (let i = 0; i < n; i++) {
      y[i]! += share * step[i]!;
      pressLow[i]! += dualShare * stepLow[i]!;
      pressHigh[i]! += dualShare * stepHigh[i]!;
    }
  }
  return y;
}
