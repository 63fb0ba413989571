import { LEGENDS, type Circuit } from '@core/track/circuit';

/** The demo's circuit, Slipway: taxiways and hard standings round the old flying-boat basin. */

const LAP_M = 2310;
/** Where the taxiways would meet, in driving direction, and the radius of the bend there, metres. */
const MEETINGS: readonly (readonly [xM: number, yM: number, radiusM: number])[] = [
  [360, -20, 38], [300, 170, 30], [430, 260, 26], [360, 420, 34], [150, 400, 42], [110, 270, 27], [-150, 400, 48],
  [-330, 330, 36], [-300, 60, 44],
]; // prettier-ignore
const POINT_EVERY_M = 9;

/** Straights between the meetings, joined by arcs, as long as the lap; it begins in the middle of the last straight. */
function line(): { xM: number; yM: number }[] {
  const n = MEETINGS.length;
  const ends = MEETINGS.map(([x, y, radius], i) => {
    const [px, py] = MEETINGS[(i + n - 1) % n]!;
    const [qx, qy] = MEETINGS[(i + 1) % n]!;
    const [from, to] = [Math.atan2(y - py, x - px), Math.atan2(qy - y, qx - x)];
    const turn = Math.atan2(Math.sin(to - from), Math.cos(to - from));
    const cut = radius * Math.tan(Math.abs(turn) / 2);
    return { x, y, radius, from, turn, cut };
  });
  const points: { xM: number; yM: number }[] = [];
  const straight = (ax: number, ay: number, bx: number, by: number) => {
    const steps = Math.max(1, Math.round(Math.hypot(bx - ax, by - ay) / POINT_EVERY_M));
    for (let k = 0; k < steps; k++) points.push({ xM: ax + ((bx - ax) * k) / steps, yM: ay + ((by - ay) * k) / steps });
  };
  const last = ends[n - 1]!;
  const first = ends[0]!;
  const startX = (last.x + first.x) / 2;
  const startY = (last.y + first.y) / 2;
  let [x, y] = [startX, startY];
  for (const corner of ends) {
    const { from, turn, radius, cut } = corner;
    const [inX, inY] = [corner.x - cut * Math.cos(from), corner.y - cut * Math.sin(from)];
    straight(x, y, inX, inY);
    const steps = Math.max(3, Math.round((Math.abs(turn) * radius) / POINT_EVERY_M));
    const side = Math.sign(turn);
    for (let k = 0; k < steps; k++) {
      const angle = (Math.abs(turn) * k) / steps;
      const [ahead, aside] = [radius * Math.sin(angle), side * radius * (1 - Math.cos(angle))];
      points.push({
        xM: inX + ahead * Math.cos(from) - aside * Math.sin(from),
        yM: inY + ahead * Math.sin(from) + aside * Math.cos(from),
      });
    }
    [x, y] = [corner.x + cut * Math.cos(from + turn), corner.y + cut * Math.sin(from + turn)];
  }
  straight(x, y, startX, startY);
  const lengthM = points.reduce((sum, point, i) => {
    const next = points[(i + 1) % points.length]!;
    return sum + Math.hypot(next.xM - point.xM, next.yM - point.yM);
  }, 0);
  const scale = LAP_M / lengthM;
  const tenths = (value: number) => Math.round(value * scale * 10) / 10;
  return points.map(({ xM, yM }) => ({ xM: tenths(xM), yM: tenths(yM) }));
}

/** Heights that rise from the basin to the old hangars and fall again, with one crest before Long Basin. */
function heightM(share: number): number {
  const tenths = Math.round(
    10 * (1.1 * Math.sin(2 * Math.PI * (share - 0.1)) + 2.6 * Math.exp(-(((share - 0.39) / 0.016) ** 2))),
  );
  return tenths / 10;
}

const HALF_WIDTH_M = 6;

/** Corners after a fast stretch, in which a guest brakes fully only once the way is known. */
const carefulSteps = [
  { fromLap: 1, brake: 'lift' as const },
  { fromLap: 3, brake: 'light' as const },
  { fromLap: 5, brake: 'full' as const },
];

/** The circuit as the demo venue keeps it. */
export const SLIPWAY: Circuit = {
  name: 'Slipway',
  // A place in the open sea, as the island is invented.
  origin: { latDeg: 61.2, lonDeg: -9.4 },
  line: line().map((point, index, all) => ({
    ...point,
    zM: heightM(index / all.length),
    leftM: HALF_WIDTH_M,
    rightM: HALF_WIDTH_M,
  })),
  pitExitM: 150,
  pitEntryM: 30,
  corners: [
    {
      name: 'Boathouse',
      atM: 326,
      book: {
        apex: 'late',
        kerbs: 'leave',
        lookAt: 'the red door, then the end of the wall',
        mistakes: 'brakes to the cone and looks at it; turns in early',
      },
    },
    { name: 'Winch', atM: 513, book: { noGearChange: true, mistakes: 'throttle before the wheel unwinds' } },
    {
      name: 'Ramp',
      atM: 674,
      book: { kerbs: 'ride', roadMarks: 'dark marks lead too far inside', steps: carefulSteps },
    },
    { name: 'Long Basin', atM: 849, book: { lookAt: 'the crane over the crest', slippery: 'inside after rain' } },
    {
      name: 'Slip',
      atM: 1076,
      book: { givenAway: true, mistakes: 'too fast in, then no way to Mooring', steps: carefulSteps },
    },
    { name: 'Mooring', atM: 1195, book: { throttle: 'maintenance', apex: 'middle' } },
    { name: 'Jetty', atM: 1491, book: { apex: 'early', passing: true } },
    { name: 'Gantry', atM: 1689, book: { apex: 'double', mistakes: 'only one apex, then wide' } },
    { name: 'Crane', atM: 1968, book: { apex: 'late', kerbs: 'ride' } },
  ],
  cones: [
    { id: 'kerb-1', kind: 'keepOff', xM: 352.1, yM: 10.1, corner: 'Boathouse', note: 'the kerb has a step' },
    { id: 'board-100', kind: 'distance', xM: -344.7, yM: 242.4, corner: 'Crane', note: '100 m' },
    { id: 'board-50', kind: 'distance', xM: -339.2, yM: 192.7, corner: 'Crane', note: '50 m' },
    { id: 'zone-1', kind: 'safetyZone', xM: -249, yM: 44, corner: 'Crane', note: 'to stand in after a spin' },
  ],
  movedCones: [],
  removedCones: [],
  landmarks: [
    { name: 'red door', xM: 96, yM: -12 },
    { name: 'old crane', xM: 130, yM: 290 },
  ],
  marshalPosts: [],
  legend: { ...LEGENDS[0]!, name: "Larkmere's" },
};
