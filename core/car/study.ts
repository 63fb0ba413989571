import { around } from '../circuit/around';
import { centreLineOf, type CentreLine, type DrivenLine } from '../circuit/centre-line';
import type { Circuit } from '../circuit/circuit-file';
import { blindCrests, type BlindCrest } from '../circuit/corners';
import { conesOf, cornerName, type ConePlan } from '../circuit/cones';
import { taughtCorners, type TaughtCorner } from '../circuit/teaching-line';
import { carOf, ORDINARY_CAR, type Car, type CarFile } from './car-file';
import { isLap, LapModel, type Lap, type LapFault } from './lap';
import { racingLine, teachingLine } from './lines';
import { GRAVITY } from './speed-profile';

/** A car of the fleet, as far as the circuit wants to know it. */
export interface FleetCar {
  readonly id: string;
  readonly name: string;
  readonly number: number;
  readonly level: number;
  readonly model: CarFile;
}

/** One car at one pace on the teaching line. */
export interface StudiedLap {
  readonly car: string;
  readonly pace: number;
  readonly lapTimeS: number;
  readonly topSpeedKmh: number;
  readonly slowestKmh: number;
  readonly fuelL: number;
  readonly brakeHeatMJ: number;
  readonly gearChanges: number;
  readonly gearsUsed: readonly number[];
  /** Where braking for each corner begins, along the centre line; `undefined` where none is needed. */
  readonly brakesM: readonly (number | undefined)[];
  /** Slowest speed in each corner. */
  readonly cornersKmh: readonly number[];
}

/** Where the fleet brakes for one corner. */
export interface BrakeSpread {
  /** The place that serves all: the earliest, and who decides it. */
  readonly coneM: number;
  readonly decidedBy: { readonly car: string; readonly pace: number };
  /** The place for guests who are ready: where a good guest in the car that brakes latest begins. */
  readonly deepM: number;
  readonly deepBy: string;
  readonly spreadM: number;
}

export interface StudiedCorner {
  readonly taught: TaughtCorner;
  readonly name: string;
  readonly brake: BrakeSpread | undefined;
}

/** A circuit with its lines, its corners, its cones and what the fleet does on it. */
export interface CircuitStudy {
  readonly centre: CentreLine;
  readonly racing: DrivenLine;
  readonly teaching: DrivenLine;
  readonly corners: readonly StudiedCorner[];
  readonly cones: ConePlan;
  readonly laps: readonly StudiedLap[];
  /** What cannot be driven: a car, at a place. */
  readonly faults: readonly (LapFault & { readonly car: string })[];
  readonly crests: readonly BlindCrest[];
  /** Speed of the car that is shown along the teaching line, km/h, at the line's stations. */
  readonly shown:
    { readonly car: string; readonly speedKmh: Float64Array; readonly curvature: Float64Array } | undefined;
}

/**
 * Computes everything about a circuit and a fleet. Takes a second or two for a dozen cars: run it in a worker.
 *
 * @param paces how guests drive, each a factor on a good guest's lap
 * @param grip dry 1, damp 0.8, wet 0.65
 * @param custom how braking is taught
 */
export function studyCircuit(
  circuit: Circuit,
  fleet: readonly FleetCar[],
  paces: readonly number[],
  grip = 1,
  custom: BrakingCustom = 'straight',
): CircuitStudy {
  const cars = fleet.map(({ id, model }) => ({ id, car: carOf(model).car }));
  const widest = cars.reduce((wide, { car }) => (car.widthM > wide.widthM ? car : wide), cars[0]?.car ?? ORDINARY_CAR);
  const centre = centreLineOf(circuit.line, 2);
  const racing = racingLine(centre, widest);
  const teaching = teachingLine(centre, widest, circuit.corners, 2, racing);
  const taught = taughtCorners(centre, racing, circuit.corners);
  const laps: StudiedLap[] = [];
  const faults: (LapFault & { car: string })[] = [];
  let shown: { car: string; lap: Lap } | undefined;
  for (const { id, car } of cars.length > 0 ? cars : [{ id: '', car: ORDINARY_CAR }]) {
    const model = new LapModel(car, teaching);
    for (const pace of [...new Set([1, ...paces])]) {
      const lap = model.lap(pace, grip);
      if (!isLap(lap)) faults.push({ car: id, ...lap });
      else {
        laps.push(studiedLap(id, pace, lap, taught, custom));
        if (pace === 1) shown ??= { car: id, lap };
      }
      if (pace === 1 && !isLap(lap)) break;
    }
  }
  const corners = taught.map((one, index): StudiedCorner => ({
    taught: one,
    name: cornerName(one),
    brake: spreadOf(laps, index, one.turnInM, centre.lengthM),
  }));
  const braking = shown?.lap;
  return {
    centre,
    racing,
    teaching,
    corners,
    cones: conesOf(
      circuit,
      centre,
      taught,
      corners.map(({ brake }) => brake?.coneM),
    ),
    laps,
    faults,
    crests: braking ? blindCrests(centre, (i) => stoppingM(braking, centre.centreM[i]!, grip, widest)) : [],
    shown: shown && {
      car: shown.car,
      speedKmh: shown.lap.speedMps.map((mps) => mps * 3.6),
      curvature: teaching.curvature,
    },
  };
}

/** Distance to a standstill from the speed driven at a place, for a guest's share of the brakes. */
function stoppingM(lap: Lap, atM: number, grip: number, car: Car): number {
  const i = stationOn(lap.line, atM);
  return lap.speedMps[i]! ** 2 / (2 * lap.shares.brake * grip * car.gripLongitudinal * GRAVITY);
}

/** The station of a driven line that lies at a place of the centre line; whole laps are left out. */
export function stationOn(line: DrivenLine, atM: number): number {
  let [low, high] = [0, line.centreM.length];
  const placeM = around(atM, line.centreM[high - 1]! + line.stepM);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (line.centreM[middle]! <= placeM) low = middle;
    else high = middle;
  }
  return low;
}

const BRAKING = 0.03;

/** The braking before a corner: where it begins and ends, as stations of the lap's line; nothing where nobody brakes. */
export function brakingBefore(lap: Lap, taught: TaughtCorner): { from: number; to: number } | undefined {
  const n = lap.speedMps.length;
  const slowest = slowestIn(lap, taught);
  const reach = Math.round(450 / lap.line.stepM);
  let to = 0;
  while (to < reach && lap.brake[(slowest - to + n) % n]! < BRAKING) {
    // Before the braking of this corner comes the throttle of the last: none is needed here.
    if (to * lap.line.stepM > 60 && lap.throttle[(slowest - to + n) % n]! > 0.6) return undefined;
    to += 1;
  }
  if (to >= reach) return undefined;
  let from = to;
  for (let calm = 0; from < reach && calm < 4; from++) {
    calm = lap.brake[(slowest - from + n) % n]! < BRAKING ? calm + 1 : 0;
  }
  const begins = (slowest - from + 4 + n) % n;
  const ends = (slowest - to + n) % n;
  const lengthM = ((ends - begins + n) % n) * lap.line.stepM;
  return lengthM < 6 ? undefined : { from: begins, to: ends };
}

/** How braking is taught: finished in a straight line, or trailed off into the turn. */
export type BrakingCustom = 'straight' | 'trailed';

/**
 * Where a guest brakes and lets go. The model brakes into the turn; where braking is to be finished in a straight line,
 * it begins sooner: from where the speed driven there comes down to that of the corner by the turn-in, yet not before the
 * corner before is left.
 *
 * @param afterM where the corner before is left, along the centre line
 */
export function taughtBraking(
  lap: Lap,
  taught: TaughtCorner,
  custom: BrakingCustom,
  afterM: number,
): { from: number; to: number } | undefined {
  const braking = brakingBefore(lap, taught);
  if (!braking || custom === 'trailed') return braking;
  const { line, speedMps } = lap;
  const n = speedMps.length;
  const ahead = (from: number, to: number) => (to - from + n) % n;
  const turnIn = stationOn(line, taught.turnInM);
  const endsBeforeTurn = ahead(braking.to, turnIn) < n / 2;
  if (endsBeforeTurn) return braking;
  const slow = speedMps[slowestIn(lap, taught)]!;
  const hardest = Math.max(
    ...Array.from({ length: ahead(braking.from, braking.to) }, (_, k) => -lap.alongMps2[(braking.from + k) % n]!),
  );
  const first = stationOn(line, afterM);
  let from = turnIn;
  for (; from !== first; from = (from - 1 + n) % n) {
    const needsM = (speedMps[from]! ** 2 - slow ** 2) / (2 * hardest);
    if (needsM <= ahead(from, turnIn) * line.stepM) break;
  }
  return { from, to: turnIn };
}

/** The slowest station of a corner. */
export function slowestIn(lap: Lap, { turnInM, exitM }: TaughtCorner): number {
  const n = lap.speedMps.length;
  const span = lap.line.lengthM / n;
  const first = stationOn(lap.line, turnInM);
  const stations = Math.round((exitM - turnInM) / span);
  let slowest = first;
  for (let k = 0; k <= stations; k++) {
    const i = (first + k) % n;
    if (lap.speedMps[i]! < lap.speedMps[slowest]!) slowest = i;
  }
  return slowest;
}

function studiedLap(
  car: string,
  pace: number,
  lap: Lap,
  taught: readonly TaughtCorner[],
  custom: BrakingCustom,
): StudiedLap {
  return {
    car,
    pace,
    lapTimeS: lap.lapTimeS,
    topSpeedKmh: lap.topSpeedKmh,
    slowestKmh: lap.slowestKmh,
    fuelL: lap.fuelL,
    brakeHeatMJ: lap.brakeHeatMJ,
    gearChanges: lap.changes.length,
    gearsUsed: [...new Set(lap.gear)].sort((a, b) => a - b),
    brakesM: taught.map((one, index) => {
      const before = taught[(index + taught.length - 1) % taught.length]!;
      const braking = taughtBraking(lap, one, custom, before.corner.exitM);
      return braking && lap.line.centreM[braking.from]!;
    }),
    cornersKmh: taught.map((one) => lap.speedMps[slowestIn(lap, one)]! * 3.6),
  };
}

/** The spread of brake points before a corner; places are compared by how far before the turn-in they lie. */
function spreadOf(
  laps: readonly StudiedLap[],
  index: number,
  turnInM: number,
  lengthM: number,
): BrakeSpread | undefined {
  const beforeTurnIn = (atM: number) => {
    const before = turnInM - atM;
    return before < -lengthM / 2 ? before + lengthM : before;
  };
  const brakes = laps.flatMap(({ car, pace, brakesM }) => {
    const atM = brakesM[index];
    return atM === undefined ? [] : [{ car, pace, atM, before: beforeTurnIn(atM) }];
  });
  if (brakes.length === 0) return undefined;
  const earliest = brakes.reduce((a, b) => (b.before > a.before ? b : a));
  const good = brakes.filter(({ pace }) => pace === 1);
  const latest = (good.length > 0 ? good : brakes).reduce((a, b) => (b.before < a.before ? b : a));
  return {
    coneM: earliest.atM,
    decidedBy: { car: earliest.car, pace: earliest.pace },
    deepM: latest.atM,
    deepBy: latest.car,
    spreadM: earliest.before - latest.before,
  };
}
