import '../before-schemas';
import {
  callSheet,
  carOf,
  isLap,
  LapModel,
  racingLine,
  studyCircuit,
  teachingLine,
  type BrakingCustom,
  type CallSettings,
  type CarFile,
  type CircuitStudy,
  type CornerCalls,
  type FleetCar,
  type LapFault,
} from '@core/car';
import { centreLineOf, taughtCorners, type Circuit, type DrivenLine, type TaughtCorner } from '@core/circuit';
import { expose } from 'comlink';

/** The calls of a lap, or why there is no such lap. */
export interface LapCalls {
  readonly corners: readonly CornerCalls[];
  readonly lapTimeS: number | undefined;
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
    braking: BrakingCustom,
  ): CircuitStudy => studyCircuit(circuit, fleet, paces, grip, braking),
  calls(circuit: Circuit, model: CarFile, pace: number, grip: number, settings: CallSettings): LapCalls {
    const { teaching, taught } = linesOf(circuit, model);
    const lap = new LapModel(carOf(model).car, teaching).lap(pace, grip);
    return isLap(lap)
      ? { corners: callSheet(lap, taught, settings), lapTimeS: lap.lapTimeS, fault: undefined }
      : { corners: [], lapTimeS: undefined, fault: lap };
  },
};
export type CircuitThread = typeof thread;

expose(thread);

function linesOf(circuit: Circuit, model: CarFile) {
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
