import '../before-schemas';
import { callSheet, carOf, isLap, LapModel, racingLine, studyCircuit, teachingLine } from '@core/car';
import { centreLineOf, taughtCorners, type Circuit, type DrivenLine, type TaughtCorner } from '@core/circuit';
import type { CarFile } from '@core/car';
import type { CircuitAnswer, CircuitQuestion } from './circuit-messages';

/** The lines of the circuit and car that were asked for last. */
let lines: { key: string; teaching: DrivenLine; taught: TaughtCorner[] } | undefined;

addEventListener('message', ({ data: question }: MessageEvent<CircuitQuestion>) => postMessage(answerTo(question)));

function answerTo(question: CircuitQuestion): CircuitAnswer {
  const { id } = question;
  if (question.kind === 'study') {
    const { circuit, fleet, paces, grip, braking } = question;
    const beganMs = performance.now();
    const study = studyCircuit(circuit, fleet, paces, grip, braking);
    return { kind: 'study', id, study, tookMs: performance.now() - beganMs };
  }
  const { circuit, model, pace, grip, settings } = question;
  const { teaching, taught } = linesOf(circuit, model);
  const lap = new LapModel(carOf(model).car, teaching).lap(pace, grip);
  return isLap(lap)
    ? { kind: 'calls', id, corners: callSheet(lap, taught, settings), lapTimeS: lap.lapTimeS, fault: undefined }
    : { kind: 'calls', id, corners: [], lapTimeS: undefined, fault: lap };
}

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
