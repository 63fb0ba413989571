import { LapModel, isLap, ORDINARY_CAR, racingLine, studyCircuit, teachingLine, type FleetCar } from '@core/track/car';
import { circuitFile } from '@core/track/circuit/at-start';
import { centreLineOf, corridorOf, minimumCurvature } from '@core/track/circuit';
import { swinging } from '@core/testing/circuits';
import { CAR_MODELS } from '../demo/models';
import { FLEET } from '../demo/larkmere';
import { SLIPWAY } from '../demo/slipway';
import { figures } from './table';

/** How long lines and laps take: a circuit of four kilometres at two metres, and the demo's whole fleet. */

const four = circuitFile.parse({
  name: 'four kilometres',
  line: swinging(610, [
    [0.06, 0.5],
    [0.05, 2],
    [0.06, 1],
    [0.03, 3],
    [0.02, 4],
  ]).map((point, i, all) => ({ ...point, zM: 6 * Math.sin((4 * Math.PI * i) / all.length) })),
});

function medianMs(runs: number, work: () => void): string {
  const times = Array.from({ length: runs }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  }).sort((a, b) => a - b);
  return `${times[runs >> 1]!.toFixed(1)} ms (slowest ${times.at(-1)!.toFixed(1)})`;
}

const centre = centreLineOf(four.line, 2);
const racing = racingLine(centre, ORDINARY_CAR);
const fleet = FLEET.map(({ id, name, number, level }): FleetCar => ({
  id,
  name,
  number,
  level,
  model: CAR_MODELS[number]!,
}));
const lap = (pace: number) => {
  const result = new LapModel(ORDINARY_CAR, racing).lap(pace);
  if (!isLap(result)) throw new Error(result.reason.code);
  return result;
};
const table = figures();
table.row(
  `centre line, ${Math.round(centre.lengthM)} m at 2 m`,
  medianMs(9, () => centreLineOf(four.line, 2)),
);
table.row(
  'minimum curvature',
  medianMs(9, () => minimumCurvature(centre, corridorOf(centre, 1.95))),
);
table.row(
  'racing line, with the laps that choose it',
  medianMs(9, () => racingLine(centre, ORDINARY_CAR)),
);
table.row(
  'teaching line',
  medianMs(5, () => teachingLine(centre, ORDINARY_CAR, [], 2, racing)),
);
table.row(
  `a lap (${lap(1).lapTimeS.toFixed(1)} s)`,
  medianMs(25, () => lap(1)),
);
table.row(
  'a lap at pace 1.25',
  medianMs(9, () => lap(1.25)),
);
table.row(
  'demo circuit: 12 cars at 3 paces, cones, crests',
  medianMs(3, () => studyCircuit(SLIPWAY, fleet, [1, 1.12, 1.25])),
);
table.print();

const shifts = figures();
for (const { car, best, gearChanges, lapTimeS, gearsUsed } of studyCircuit(SLIPWAY, fleet, [1]).laps) {
  const { number, name } = fleet.find(({ id }) => id === car)!;
  const before = `${best.gearChanges}, ${best.lapTimeS.toFixed(1)} s`;
  const taught = `${gearChanges}, ${lapTimeS.toFixed(1)} s, in ${gearsUsed.join(' and ')}`;
  shifts.row(`${number} ${name}: shifts and lap in the gears that give the most; as taught`, `${before}; ${taught}`);
}
shifts.print();
