import type { CircuitMap } from '@core/circuit';

/** The demo's circuit, Slipway: taxiways and hard standings round the old flying-boat basin. */

const LAP_M = 2310;
/** Points of the line as they were sketched, in driving direction from the start line; the scale comes out of the lap. */
const SKETCH: readonly (readonly [number, number])[] = [
  [92, 395], [84, 340], [66, 285], [58, 225], [70, 165], [88, 128], [116, 126], [134, 160], [172, 196], [212, 168], [214, 110],
  [250, 66], [310, 52], [352, 78], [358, 130], [318, 172], [304, 220], [338, 262], [392, 286], [404, 342], [362, 378],
  [310, 366], [270, 396], [262, 450], [214, 486], [146, 478], [106, 444],
]; // prettier-ignore

const SMOOTH = 8;

/** A closed curve through the sketched points (Catmull-Rom), as long as the lap. */
function line(): CircuitMap['line'] {
  const n = SKETCH.length;
  const at = (index: number) => SKETCH[(index + n) % n]!;
  const points = SKETCH.flatMap((_, index) =>
    Array.from({ length: SMOOTH }, (__, step) => {
      const t = step / SMOOTH;
      const along = (axis: 0 | 1) => {
        const [a, b, c, d] = [at(index - 1)[axis], at(index)[axis], at(index + 1)[axis], at(index + 2)[axis]];
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t ** 3);
      };
      return { xM: -along(0), yM: -along(1) };
    }),
  );
  const lengthOf = points.reduce((sum, { xM, yM }, index) => {
    const next = points[(index + 1) % points.length]!;
    return sum + Math.hypot(next.xM - xM, next.yM - yM);
  }, 0);
  const scale = LAP_M / lengthOf;
  const tenths = (value: number) => Math.round(value * scale * 10) / 10;
  return points.map(({ xM, yM }) => ({ xM: tenths(xM), yM: tenths(yM) }));
}

export const SLIPWAY: CircuitMap = {
  line: line(),
  pitExitM: 150,
  pitEntryM: 30,
  corners: [
    { name: 'Boathouse', atM: 460 },
    { name: 'Winch', atM: 670 },
    { name: 'Ramp', atM: 840 },
    { name: 'Long Basin', atM: 1090 },
    { name: 'Slip', atM: 1340 },
    { name: 'Mooring', atM: 1560 },
    { name: 'Jetty', atM: 1690 },
    { name: 'Gantry', atM: 1840 },
    { name: 'Crane', atM: 2020 },
  ],
  speeds: [
    { atM: 0, kmh: 138 },
    { atM: 330, kmh: 150 },
    { atM: 470, kmh: 74 },
    { atM: 620, kmh: 104 },
    { atM: 760, kmh: 78 },
    { atM: 900, kmh: 118 },
    { atM: 1080, kmh: 86 },
    { atM: 1280, kmh: 122 },
    { atM: 1400, kmh: 82 },
    { atM: 1530, kmh: 116 },
    { atM: 1640, kmh: 80 },
    { atM: 1840, kmh: 92 },
    { atM: 1980, kmh: 112 },
    { atM: 2110, kmh: 76 },
  ],
};
