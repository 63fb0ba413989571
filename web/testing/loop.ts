import { circuitFile } from '@core/track/circuit/at-start';
import { square } from '@core/testing/circuits';

/** A loop of four corners, two of them named. */
export const LOOP = circuitFile.parse({
  name: 'Loop',
  line: square(400, 40, 6),
  corners: [
    { name: 'Ramp', atM: 180 },
    { name: 'Slip', atM: 570 },
  ],
  pitExitM: 40,
});
