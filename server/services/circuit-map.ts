import { isLap, LapModel, ORDINARY_CAR, racingLine } from '@core/track/car';
import { centreLineOf, mapOf, type Circuit, type CircuitMap } from '@core/track/circuit';

const SPEED_EVERY_M = 30;

/** Maps by the text of their circuit: a lap over it is computed once, whoever asks. */
const known = new Map<string, CircuitMap>();
const MOST_KNOWN = 8;

/** The map of a circuit, with the speed of an ordinary car along its lap. */
export function circuitMapOf(circuit: Circuit): CircuitMap {
  const key = JSON.stringify([circuit.line, circuit.corners, circuit.pitExitM, circuit.pitEntryM]);
  let map = known.get(key);
  if (!map) {
    map = mapOf(circuit, speedsOf(circuit));
    if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
    known.set(key, map);
  }
  return map;
}

function speedsOf(circuit: Circuit): CircuitMap['speeds'] {
  const centre = centreLineOf(circuit.line, 3);
  const line = racingLine(centre, ORDINARY_CAR);
  const lap = new LapModel(ORDINARY_CAR, line).lap();
  if (!isLap(lap)) return undefined;
  const every = Math.max(1, Math.round(SPEED_EVERY_M / line.stepM));
  return Array.from(lap.speedMps, (mps, i) => ({
    atM: Math.round(line.centreM[i]!),
    kmh: Math.round(mps * 36) / 10,
  })).filter((_, i) => i % every === 0);
}
