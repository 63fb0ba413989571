import {
  callSheet,
  carOf,
  gearTeaching,
  isLap,
  LapModel,
  racingLine,
  studyCircuit,
  taughtGears,
  teachingLine,
  type CallSettings,
  type CircuitStudy,
  type CornerCalls,
  type FleetCar,
  type LapFault,
  type TeachingCustom,
} from '@core/track/car';
import { centreLineOf, taughtCorners, type Circuit, type DrivenLine, type TaughtCorner } from '@core/track/circuit';
import { expose } from 'comlink';

/** The calls of a lap, or why there is no such lap. */
export interface LapCalls {
  readonly corners: readonly CornerCalls[];
  readonly lapTimeS: number | undefined;
  /** In the gears that give the most. */
  readonly bestLapTimeS: number | undefined;
  readonly shifts: number;
  readonly bestShifts: number;
  /** Where the car is along the centre line, and when, at each station of the line. */
  readonly way: { readonly atM: Float64Array; readonly timeS: Float64Array } | undefined;
  readonly fault: LapFault | undefined;
}

/** The lines of the circuit and car that were asked for last. */
let lines: { key: string; teaching: DrivenLine; taught: TaughtCorner[] } | undefined;

/** What the thread that computes circuits answers. */
const thread = {
  study: (
    circuit: Circuit,
    fleet: readonly FleetCar[],
    paces: readonly number[],
    grip: number,
    custom: TeachingCustom,
  ): CircuitStudy => studyCircuit(circuit, fleet, paces, grip, custom),
  calls(
    circuit: Circuit,
    { id, model }: FleetCar,
    pace: number,
    grip: number,
    custom: TeachingCustom,
    settings: CallSettings,
  ): LapCalls {
    const { teaching, taught } = linesOf(circuit, model);
    const here = new LapModel(carOf(model).car, teaching);
    const orders = gearTeaching(custom, circuit, id);
    const gears = taughtGears(here, taught, orders, grip)?.windows;
    const best = here.lap(pace, grip);
    const lap = gears ? here.taught(gears, pace, grip) : best;
    if (!isLap(best)) return { ...NO_LAP, fault: best };
    if (!isLap(lap)) return { ...NO_LAP, fault: lap };
    return {
      corners: callSheet(lap, taught, { ...settings, byHand: new Set(orders.corners.keys()) }),
      lapTimeS: lap.lapTimeS,
      bestLapTimeS: best.lapTimeS,
      shifts: lap.changes.length,
      bestShifts: best.changes.length,
      way: { atM: lap.line.centreM, timeS: lap.timeS },
      fault: undefined,
    };
  },
};
export type CircuitThread = typeof thread;

expose(thread);

const NO_LAP: LapCalls = {
  corners: [],
  lapTimeS: undefined,
  bestLapTimeS: undefined,
  shifts: 0,
  bestShifts: 0,
  way: undefined,
  fault: undefined,
};

function linesOf(circuit: Circuit, model: FleetCar['model']) {
  const { car } = carOf(model);
  const key = JSON.stringify([circuit.line, circuit.corners, car.widthM]);
  if (lines?.key !== key) {
    const centre = centreLineOf(circuit.line, 2);
    const racing = racingLine(centre, car);
    const taught = taughtCorners(centre, racing, circuit.corners);
    lines = { key, teaching: teachingLine(centre, car, circuit.corners, 2, racing), taught };
  }
  return lines;
}
