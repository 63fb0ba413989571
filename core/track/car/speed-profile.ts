import type { DrivenLine } from '../circuit';
import type { Car } from './car';
import type { Gearing } from './drive';
import type { Shares } from './shares';

export const GRAVITY = 9.81;
export const AIR_KG_M3 = 1.2;

/** The gears in which each station may be driven, lowest and highest; within them a gear is changed up where the next gives more. */
export interface GearWindows {
  readonly lowest: Uint8Array;
  readonly highest: Uint8Array;
}

/** What a lap is driven with. */
export interface Driving {
  readonly car: Car;
  readonly gearing: Gearing;
  readonly shares: Shares;
  /** Multiplies both grips: dry 1, damp 0.8, wet 0.65. */
  readonly grip: number;
  /** The gears that are taught; without them each place is driven in the gear that gives the most. */
  readonly gears?: GearWindows | undefined;
}

/** Speed along a line, closed on itself; one value a station, and what happens from it to the next. */
export interface SpeedProfile {
  readonly speedMps: Float64Array;
  readonly gear: Uint8Array;
  /** Changes of gear, up and down, at the station where each begins. */
  readonly changes: readonly { readonly station: number; readonly from: number; readonly to: number }[];
}

/** The car cannot get along the line at all, from this distance on. */
export class NoWayRound {
  constructor(
    readonly station: number,
    readonly obstacle: 'brakesCannotHold' | 'cannotClimb',
  ) {}
}

const CLOSED_MPS = 1e-4;
const MOST_ROUNDS = 300;
/** Nothing is driven faster than this. */
const FASTEST_MPS = 200;
const SLOWEST_MPS = 0.5;
/** No second change of gear within this time … */
const SETTLED_S = 1;
/** … unless the speed has dropped to this share of that at the last change. */
const DROPPED = 0.99;

/**
 * Forces on a point mass with axle loads along a line, all per kilogram (so accelerations, m/s²), as functions of the
 * square of the speed. See docs/lap.md.
 */
export class Forces {
  private readonly mass: number;
  private readonly downforce: number;
  private readonly drag: number;
  private readonly traction: number;
  private readonly braking: number;
  private readonly lateral: number;
  private readonly flat: Float64Array;
  private readonly climb: Float64Array;
  private readonly bend: Float64Array;
  /** How long a change up takes the force away, s. */
  readonly shiftS: number;

  constructor(
    private readonly driving: Driving,
    line: DrivenLine,
  ) {
    this.shiftS = driving.car.shiftS;
    const { car, shares, grip } = driving;
    this.mass = car.massKg + car.peopleKg;
    this.downforce = (0.5 * AIR_KG_M3 * car.downforceAreaM2) / this.mass;
    this.drag = (0.5 * AIR_KG_M3 * car.dragAreaM2) / this.mass;
    const along = grip * car.gripLongitudinal;
    const transfer = (along * car.centreOfMassHeightM) / car.wheelbaseM;
    const share = {
      rear: Math.min(1, (1 - car.frontWeightShare) / Math.max(1e-6, 1 - transfer)),
      front: car.frontWeightShare / (1 + transfer),
      all: 1,
    }[car.drivenWheels];
    this.traction = shares.drive * along * share;
    this.braking = shares.brake * along;
    this.lateral = shares.lateral * grip * car.gripLateral;
    const n = line.curvature.length;
    this.flat = new Float64Array(n);
    this.climb = new Float64Array(n);
    this.bend = line.curvature.map(Math.abs);
    for (let i = 0; i < n; i++) {
      const cos = 1 / Math.sqrt(1 + line.slope[i]! ** 2);
      this.flat[i] = GRAVITY * cos;
      this.climb[i] = GRAVITY * line.slope[i]! * cos;
    }
  }

  /** Square of the highest speed that grip allows sideways at a station. */
  lateralLimit(i: number): number {
    const left = this.bend[i]! - this.lateral * this.downforce;
    return left <= 0 ? FASTEST_MPS ** 2 : Math.min(FASTEST_MPS ** 2, (this.lateral * this.flat[i]!) / left);
  }

  /** What is used sideways leaves this share of the grip along the road. */
  private rest(i: number, square: number, normal: number): number {
    const used = (square * this.bend[i]!) / (this.lateral * normal);
    return used >= 1 ? 0 : Math.sqrt(1 - used * used);
  }

  resistance(i: number, square: number): number {
    const normal = this.flat[i]! + this.downforce * square;
    return this.drag * square + this.driving.car.rollingResistance * normal + this.climb[i]!;
  }

  /** Full throttle in a gear, as far as the driven wheels hold. */
  fullThrottle(i: number, square: number, gear: number): number {
    const { gearing, shares } = this.driving;
    const normal = this.flat[i]! + this.downforce * square;
    const hold = this.traction * normal * this.rest(i, square, normal);
    const mps = Math.sqrt(square);
    const overTop = gear === gearing.topMps.length - 1 && mps > gearing.topMps[gear]! + 1e-9;
    return overTop ? 0 : Math.min(hold, (shares.power * gearing.force(gear, mps)) / this.mass);
  }

  fullBraking(i: number, square: number): number {
    const normal = this.flat[i]! + this.downforce * square;
    return this.braking * normal * this.rest(i, square, normal);
  }
}

/**
 * The fastest speed along a closed line within the limits: quasi-steady-state, a backward pass for braking under the
 * lateral limit and a forward pass under both, each going round until it closes on itself. Steps are taken by the
 * trapezoidal rule in the square of the speed, with the acceleration at both ends, which neither drifts nor rings.
 */
export function speedProfile(line: DrivenLine, driving: Driving): SpeedProfile | NoWayRound {
  const n = line.curvature.length;
  const forces = new Forces(driving, line);
  const wayM = line.slope.map((slope) => line.stepM * Math.sqrt(1 + slope * slope));
  const limit = new Float64Array(n);
  let slowest = 0;
  for (let i = 0; i < n; i++) {
    const top = driving.gears ? driving.gearing.topMps[driving.gears.highest[i]!]! : Infinity;
    limit[i] = Math.min(forces.lateralLimit(i), top * top);
    if (limit[i]! < limit[slowest]!) slowest = i;
  }
  const braked = brakingLimit(forces, limit, wayM, slowest);
  if (braked instanceof NoWayRound) return braked;
  return accelerated(forces, driving, braked, wayM, slowest);
}

function brakingLimit(
  forces: Forces,
  lateral: Float64Array,
  wayM: Float64Array,
  slowest: number,
): Float64Array | NoWayRound {
  const n = lateral.length;
  const limit = Float64Array.from(lateral);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const before = limit[slowest]!;
    for (let back = 1; back <= n; back++) {
      const i = (slowest - back + n) % n;
      const next = (i + 1) % n;
      const from = limit[next]!;
      const slowing = (j: number, square: number) => forces.fullBraking(j, square) + forces.resistance(j, square);
      const atNext = slowing(next, from);
      const way = wayM[i]!;
      const over = (square: number) => square - from - way * (atNext + slowing(i, square));
      if (over(limit[i]!) <= 0) continue;
      const square = rootUnder(over, limit[i]!, from);
      if (square < SLOWEST_MPS ** 2) return new NoWayRound(i, 'brakesCannotHold');
      limit[i] = square;
    }
    if (Math.abs(Math.sqrt(before) - Math.sqrt(limit[slowest]!)) < CLOSED_MPS) return limit;
  }
  return limit;
}

function accelerated(
  forces: Forces,
  { gearing, gears: windows }: Driving,
  limit: Float64Array,
  wayM: Float64Array,
  slowest: number,
): SpeedProfile | NoWayRound {
  const n = limit.length;
  const square = new Float64Array(n);
  const gears = new Uint8Array(n);
  let changes: { station: number; from: number; to: number }[] = [];
  let now = Math.min(limit[slowest]!, gearing.topMps.at(-1)! ** 2);
  let gear = wantedGear(gearing, windows, slowest, Math.sqrt(now), gearing.best(Math.sqrt(now)));
  let sinceS = Infinity;
  let changedAtMps = Infinity;
  let withoutForceS = 0;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const startedWith = { now, gear };
    changes = [];
    for (let ahead = 0; ahead < n; ahead++) {
      const i = (slowest + ahead) % n;
      const next = (i + 1) % n;
      const mps = Math.sqrt(now);
      const best = wantedGear(gearing, windows, i, mps, gear);
      if (best !== gear && (windows || sinceS >= SETTLED_S || mps <= DROPPED * changedAtMps)) {
        changes.push({ station: i, from: gear, to: best });
        withoutForceS = best > gear ? forces.shiftS : 0;
        gear = best;
        sinceS = 0;
        changedAtMps = mps;
      }
      square[i] = now;
      gears[i] = gear;
      const way = wayM[i]!;
      const takesS = way / Math.max(mps, SLOWEST_MPS);
      const driven = 1 - Math.min(1, withoutForceS / takesS);
      const held = gear;
      const pull = (j: number, at: number) => driven * forces.fullThrottle(j, at, held) - forces.resistance(j, at);
      const here = pull(i, now);
      const over = (at: number) => at - now - way * (here + pull(next, at));
      const most = limit[next]!;
      now = over(most) <= 0 ? most : rootUnder(over, most, now);
      if (now < SLOWEST_MPS ** 2) return new NoWayRound(next, 'cannotClimb');
      withoutForceS = Math.max(0, withoutForceS - takesS);
      sinceS += takesS;
    }
    if (Math.abs(Math.sqrt(now) - Math.sqrt(startedWith.now)) < CLOSED_MPS && gear === startedWith.gear && round > 0) {
      break;
    }
  }
  return { speedMps: square.map(Math.sqrt), gear: gears, changes };
}

/** The gear to be in: that which gives the most, or the taught one, which is held until the next one gives more. */
function wantedGear(gearing: Gearing, windows: GearWindows | undefined, i: number, mps: number, gear: number): number {
  if (!windows) return gearing.best(mps);
  const held = Math.min(windows.highest[i]!, Math.max(windows.lowest[i]!, gear));
  return held === gear && gear < windows.highest[i]! && gearing.best(mps) > gear ? gear + 1 : held;
}

/** The root under `high` of a function that rises with the square of the speed; `guess` is near it. Regula falsi (Illinois). */
function rootUnder(over: (square: number) => number, high: number, guess: number): number {
  let b = high;
  let atB = over(b);
  let a = Math.min(guess, high);
  let atA = over(a);
  let step = Math.max(1, 0.1 * high);
  while (atA > 0) {
    if (a <= 0) return 0;
    [b, atB] = [a, atA];
    a = Math.max(0, a - step);
    step *= 3;
    atA = over(a);
  }
  let kept = 0;
  for (let turn = 0; turn < 60; turn++) {
    const c = atB === atA ? (a + b) / 2 : b - (atB * (b - a)) / (atB - atA);
    const atC = over(c);
    if (Math.abs(atC) < 1e-8 || Math.abs(b - a) < 1e-9) return c;
    if (atC > 0) {
      [b, atB] = [c, atC];
      if (kept === -1) atA /= 2;
      kept = -1;
    } else {
      [a, atA] = [c, atC];
      if (kept === 1) atB /= 2;
      kept = 1;
    }
  }
  return a;
}
