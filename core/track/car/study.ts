import {
  centreLineOf,
  type CentreLine,
  type DrivenLine,
  type Circuit,
  blindCrests,
  type BlindCrest,
  conesOf,
  cornerName,
  type ConePlan,
  taughtCorners,
  type TaughtCorner,
} from '../circuit';
import { slowestIn, stationOn, taughtBraking, type BrakingCustom } from './braking';
import { carOf, ORDINARY_CAR, type Car } from './car';
import type { CarFile } from './car-file';
import { isLap, LapModel, type Lap, type LapFault } from './lap';
import { racingLine, teachingLine } from './lines';
import { GRAVITY } from './speed-profile';
import { taughtGears, type GearTeaching } from './taught-gears';

/** A car of the fleet, as far as the circuit wants to know it. */
export interface FleetCar {
  readonly id: string;
  readonly name: string;
  readonly number: number;
  readonly level: number;
  readonly model: CarFile;
}

/** One car at one pace on the teaching line, in the gears that are taught. */
export interface StudiedLap {
  readonly car: string;
  readonly pace: number;
  readonly lapTimeS: number;
  readonly topSpeedKmh: number;
  readonly slowestKmh: number;
  readonly fuelL: number;
  readonly brakeHeatMJ: number;
  /** Up and down, in the gears that are taught. */
  readonly gearChanges: number;
  readonly gearsUsed: readonly number[];
  /** The same pace in the gears that give the most. */
  readonly best: { readonly lapTimeS: number; readonly gearChanges: number };
  /** Where braking for each corner begins, along the centre line; `undefined` where none is needed. */
  readonly brakesM: readonly (number | undefined)[];
  /** Slowest speed in each corner. */
  readonly cornersKmh: readonly number[];
}

/** Where the fleet brakes for one corner. */
interface BrakeSpread {
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

/** How braking and gears are taught at a venue. */
export interface TeachingCustom {
  readonly braking: BrakingCustom;
  /** The taught lap may take so much longer than the one in the gears that give the most, seconds. */
  readonly shiftsWithinS: number;
  /** Gears that guests do not use. */
  readonly gearsOut: readonly number[];
}

/** Of a venue that has not written its own. */
export const ORDINARY_TEACHING: TeachingCustom = { braking: 'straight', shiftsWithinS: 1, gearsOut: [] };

/**
 * Computes everything about a circuit and a fleet. Takes a second or two for a dozen cars: run it in a worker.
 *
 * @param paces how guests drive, each a factor on a good guest's lap
 * @param grip dry 1, damp 0.8, wet 0.65
 */
export function studyCircuit(
  circuit: Circuit,
  fleet: readonly FleetCar[],
  paces: readonly number[],
  grip = 1,
  custom: TeachingCustom = ORDINARY_TEACHING,
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
    const gears = taughtGears(model, taught, gearTeaching(custom, circuit, id), grip)?.windows;
    for (const pace of [...new Set([1, ...paces])]) {
      const best = model.lap(pace, grip);
      const lap = gears ? model.taught(gears, pace, grip) : best;
      if (!isLap(best) || !isLap(lap)) faults.push({ car: id, ...(isLap(lap) ? (best as LapFault) : lap) });
      else {
        laps.push(studiedLap(id, pace, lap, best, taught, custom.braking));
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

/** The lap of a car at the pace nearest to a guest's; nothing where it was not studied. */
export function lapNearest(laps: readonly StudiedLap[], car: string | undefined, pace: number): StudiedLap | undefined {
  const off = (lap: StudiedLap) => Math.abs(lap.pace - pace);
  return laps.filter((one) => one.car === car).sort((a, b) => off(a) - off(b))[0];
}

/** How gears are taught in one car: the venue's customs, and what the corner book orders for this car. */
export function gearTeaching(
  { shiftsWithinS, gearsOut }: TeachingCustom,
  { corners }: Pick<Circuit, 'corners'>,
  car: string,
): GearTeaching {
  const orders = corners.flatMap(({ name, book }): [string, number][] => {
    const gear = book.gears?.[car];
    return gear === undefined ? [] : [[name, gear]];
  });
  return { withinS: shiftsWithinS, without: gearsOut, corners: new Map(orders) };
}

/** Distance to a standstill from the speed driven at a place, for a guest's share of the brakes. */
function stoppingM(lap: Lap, atM: number, grip: number, car: Car): number {
  const i = stationOn(lap.line, atM);
  return lap.speedMps[i]! ** 2 / (2 * lap.shares.brake * grip * car.gripLongitudinal * GRAVITY);
}

function studiedLap(
  car: string,
  pace: number,
  lap: Lap,
  best: Lap,
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
    best: { lapTimeS: best.lapTimeS, gearChanges: best.changes.length },
    brakesM: taught.map((one, index) => {
      const before = taught[(index + taught.length - 1) % taught.length]!;
      const braking = taughtBraking(lap, one, custom, before);
      return braking && !braking.carried ? lap.line.centreM[braking.from]! : undefined;
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
