import { centreLineOf } from './centre-line';
import type { Circuit } from './circuit-file';
import type { CircuitMap } from './circuit-map';

const POINT_EVERY_M = 10;
/** Wherever a circuit does not say where the pits are. */
const AT_THE_LINE_M = 0;

/** What the screens of the day need of a circuit: its line, its pits, its corners, and the speed along a lap. */
export function mapOf(circuit: Circuit, speeds?: CircuitMap['speeds']): CircuitMap {
  const centre = centreLineOf(circuit.line, POINT_EVERY_M);
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return {
    line: Array.from(centre.xM, (xM, i) => ({ xM: tenth(xM), yM: tenth(centre.yM[i]!) })),
    pitExitM: circuit.pitExitM ?? AT_THE_LINE_M,
    pitEntryM: circuit.pitEntryM ?? AT_THE_LINE_M,
    corners: circuit.corners.map(({ name, atM, book: { steps } }) => ({ name, atM, ...(steps && { steps }) })),
    ...(speeds && { speeds }),
  };
}
