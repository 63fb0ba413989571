import type { DrivenLine } from '../circuit';
import { fact, type Fact } from '../../values';
import type { Car } from './car';
import { gearingOf, type Gearing } from './drive';
import { factorFor } from './pace';
import { GOOD_GUEST, MOST_FACTOR, PROFESSIONAL, sharesAt, type Shares } from './shares';
import { AIR_KG_M3, GRAVITY, NoWayRound, speedProfile, type GearWindows } from './speed-profile';

/** How somebody drives: times as long as a good guest's lap (1), or with all the car has. */
export type Pace = number | 'professional';

/** A lap as it comes out of the model. Arrays have one value a station of the line. */
export interface Lap {
  readonly line: DrivenLine;
  readonly shares: Shares;
  readonly lapTimeS: number;
  readonly topSpeedKmh: number;
  readonly slowestKmh: number;
  readonly fuelL: number;
  readonly brakeHeatMJ: number;
  readonly speedMps: Float64Array;
  readonly gear: Uint8Array;
  /** When each station is passed, seconds after the start line. */
  readonly timeS: Float64Array;
  readonly alongMps2: Float64Array;
  /** To the left. */
  readonly sidewaysMps2: Float64Array;
  /** Share of what engine and driven wheels would give, 0…1. */
  readonly throttle: Float64Array;
  /** Share of what the guest would take from the brakes, 0…1. */
  readonly brake: Float64Array;
  readonly changes: readonly { readonly station: number; readonly from: number; readonly to: number }[];
  readonly energy: LapEnergy;
}

/** Where the energy of a lap comes from and goes, MJ. */
interface LapEnergy {
  readonly drive: number;
  readonly drag: number;
  readonly rolling: number;
  readonly height: number;
  readonly brakes: number;
  readonly kinetic: number;
}

/** Why there is no such lap. Paces are multiples of a good guest's lap time. */
export type LapObstacle =
  | Fact<'cannotTurn', object, { radiusM: number; leastRadiusM: number }>
  | Fact<'brakesCannotHold'>
  | Fact<'cannotClimb'>
  | Fact<'paceTooQuick', object, { pace: number; bestPace: number }>
  | Fact<'paceTooSlow', object, { pace: number }>;

/** What cannot be driven, with the place along the centre line. */
export interface LapFault {
  readonly atM: number | undefined;
  readonly reason: LapObstacle;
}

const PETROL_J_PER_L = 32.2e6;
/** The sharpest that front wheels turn, as the sine of their angle. */
const SHARPEST_STEERING = Math.sin((40 * Math.PI) / 180);

export const isLap = (result: Lap | LapFault): result is Lap => 'lapTimeS' in result;

/** Laps of one car along one line; what does not change from lap to lap is prepared once. */
export class LapModel {
  readonly gearing: Gearing;
  private readonly laps = new Map<string, Lap | LapFault>();

  constructor(
    readonly car: Car,
    readonly line: DrivenLine,
  ) {
    this.gearing = gearingOf(car);
  }

  /** The lap at a pace and a grip (dry 1, damp 0.8, wet 0.65). */
  lap(pace: Pace = 1, grip = 1): Lap | LapFault {
    const key = `${pace} ${grip}`;
    let lap = this.laps.get(key);
    if (!lap) this.laps.set(key, (lap = this.compute(pace, grip)));
    return lap;
  }

  /**
   * The same lap in the gears that are taught: as much of grip and power is used as at this pace in the gears that give
   * the most, so that it takes a little longer.
   */
  taught(gears: GearWindows, pace: Pace = 1, grip = 1): Lap | LapFault {
    const free = this.lap(pace, grip);
    return isLap(free) ? this.lapWith(free.shares, grip, gears) : free;
  }

  private compute(pace: Pace, grip: number): Lap | LapFault {
    const { curvature, centreM } = this.line;
    const tightest = curvature.reduce((most, value, i) => (Math.abs(value) > Math.abs(curvature[most]!) ? i : most), 0);
    const least = this.car.wheelbaseM / SHARPEST_STEERING;
    if (Math.abs(curvature[tightest]!) > 1 / least) {
      const radiusM = 1 / Math.abs(curvature[tightest]!);
      return { atM: centreM[tightest]!, reason: fact('cannotTurn', {}, { radiusM, leastRadiusM: least }) };
    }
    if (pace === 'professional') return this.lapWith(PROFESSIONAL, grip);
    if (pace === 1) return this.lapWith(GOOD_GUEST, grip);
    const good = this.lap(1, grip);
    if (!isLap(good)) return good;
    const timeOver = (factor: number): number => {
      const profile = this.profileOf(sharesAt(factor), grip);
      return profile instanceof NoWayRound ? Infinity : timeOf(this.line, profile.speedMps).at(-1)! / good.lapTimeS;
    };
    const factor = factorFor(pace, timeOver);
    if (factor !== undefined) return this.lapWith(sharesAt(factor), grip);
    const reason =
      pace < 1
        ? fact('paceTooQuick', {}, { pace, bestPace: timeOver(MOST_FACTOR) })
        : fact('paceTooSlow', {}, { pace });
    return { atM: undefined, reason };
  }

  private profileOf(shares: Shares, grip: number, gears?: GearWindows) {
    return speedProfile(this.line, { car: this.car, gearing: this.gearing, shares, grip, gears });
  }

  private lapWith(shares: Shares, grip: number, gears?: GearWindows): Lap | LapFault {
    const profile = this.profileOf(shares, grip, gears);
    if (profile instanceof NoWayRound) {
      return { atM: this.line.centreM[profile.station]!, reason: fact(profile.obstacle, {}) };
    }
    return lapFrom(this.car, this.gearing, this.line, shares, grip, profile);
  }
}

/** When each station is passed, and after the last the time of the lap; `∫ ds / v` with the mean speed of each step. */
function timeOf(line: DrivenLine, speedMps: Float64Array): Float64Array {
  const n = speedMps.length;
  const timeS = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) {
    const wayM = line.stepM * Math.sqrt(1 + line.slope[i]! ** 2);
    timeS[i + 1] = timeS[i]! + (2 * wayM) / (speedMps[i]! + speedMps[(i + 1) % n]!);
  }
  return timeS;
}

function lapFrom(
  car: Car,
  gearing: Gearing,
  line: DrivenLine,
  shares: Shares,
  grip: number,
  { speedMps, gear, changes }: Exclude<ReturnType<typeof speedProfile>, NoWayRound>,
): Lap {
  const n = speedMps.length;
  const massKg = car.massKg + car.peopleKg;
  const timeS = timeOf(line, speedMps);
  const alongMps2 = new Float64Array(n);
  const sidewaysMps2 = new Float64Array(n);
  const throttle = new Float64Array(n);
  const brake = new Float64Array(n);
  let [topMps, slowestMps] = [0, Infinity];
  const energy = { drive: 0, drag: 0, rolling: 0, height: 0, brakes: 0, kinetic: 0 };
  for (let i = 0; i < n; i++) {
    const next = (i + 1) % n;
    const [v, w] = [speedMps[i]!, speedMps[next]!];
    topMps = Math.max(topMps, v);
    slowestMps = Math.min(slowestMps, v);
    const square = (v * v + w * w) / 2;
    const cos = 1 / Math.sqrt(1 + line.slope[i]! ** 2);
    const wayM = line.stepM / cos;
    const normal = massKg * GRAVITY * cos + 0.5 * AIR_KG_M3 * car.downforceAreaM2 * square;
    const drag = 0.5 * AIR_KG_M3 * car.dragAreaM2 * square;
    const rolling = car.rollingResistance * normal;
    const climb = massKg * GRAVITY * ((line.slope[i]! + line.slope[next]!) / 2) * cos;
    const along = (w * w - v * v) / (2 * wayM);
    const force = massKg * along + drag + rolling + climb;
    alongMps2[i] = along;
    sidewaysMps2[i] = v * v * line.curvature[i]!;
    energy.drag += drag * wayM;
    energy.rolling += rolling * wayM;
    energy.height += climb * wayM;
    energy.kinetic += massKg * along * wayM;
    if (force >= 0) {
      energy.drive += force * wayM;
      const full = shares.power * gearing.force(gear[i]!, v);
      throttle[i] = Math.min(1, force / Math.max(1, full));
    } else {
      energy.brakes -= force * wayM;
      brake[i] = Math.min(1, -force / (shares.brake * grip * car.gripLongitudinal * normal));
    }
  }
  const lapTimeS = timeS[n]!;
  const joules = energy.drive / car.drivelineEfficiency;
  return {
    line,
    shares,
    lapTimeS,
    topSpeedKmh: topMps * 3.6,
    slowestKmh: slowestMps * 3.6,
    fuelL: joules / (car.tankToCrank * PETROL_J_PER_L) + (car.idleLPerH * lapTimeS) / 3600,
    brakeHeatMJ: energy.brakes / 1e6,
    speedMps,
    gear,
    timeS: timeS.subarray(0, n),
    alongMps2,
    sidewaysMps2,
    throttle,
    brake,
    changes,
    energy: Object.fromEntries(
      Object.entries(energy).map(([key, value]) => [key, value / 1e6]),
    ) as unknown as LapEnergy,
  };
}
