import { circuitFile } from '../circuit/at-start';
import { centreLineOf, taughtCorners, type LinePoint } from '../circuit';
import { racingLine, teachingLine } from './lines';
import { oval, swinging } from '../../testing/circuits';
import { SMALL_MODEL } from '../../testing/small-model';
import { callSheet } from './calls';
import { carOf } from './car';
import { carFile } from './car-file';
import { isLap, LapModel } from './lap';
import { slowestIn, taughtBraking } from './braking';
import { studyCircuit } from './study';

/** An airfield's oblong with chicanes: the road is shifted to the inside and back again. */
function chicanes(atM: readonly number[], shiftM = 13): LinePoint[] {
  return oval(800, 70).map((point) => ({
    ...point,
    yM:
      point.yM +
      (point.yM < -60 ? atM.reduce((sum, x) => sum + shiftM * Math.exp(-(((point.xM - x) / 38) ** 2)), 0) : 0),
  }));
}
const CIRCUITS: Readonly<Record<string, LinePoint[]>> = {
  'three chicanes': chicanes([-260, 0, 260]),
  'one chicane': chicanes([40], 16),
  close: swinging(90, [
    [0.12, 0.3],
    [0.1, 2],
    [0.06, 4],
  ]),
  wide: swinging(220, [
    [0.15, 1],
    [0.08, 3],
  ]),
};
const CARS = [{ peakPowerKW: 150 }, { peakPowerKW: 450, massKg: 1500 }].map((more) =>
  carFile.parse({ ...SMALL_MODEL, ...more }),
);

describe('Braking on circuits of every kind', () => {
  for (const [name, line] of Object.entries(CIRCUITS)) {
    it(`begins after the car was fastest, however many phases it has, and ends slower: ${name}`, () => {
      const circuit = circuitFile.parse({ name, line, corners: [] });
      const centre = centreLineOf(circuit.line, 2);
      let braked = 0;
      for (const file of CARS) {
        const { car } = carOf(file);
        const taught = taughtCorners(centre, racingLine(centre, car), circuit.corners);
        const model = new LapModel(car, teachingLine(centre, car, circuit.corners, 2));
        for (const pace of [1, 1.25]) {
          const lap = model.lap(pace, 1);
          if (!isLap(lap)) throw new Error(`no lap on ${name}`);
          const n = lap.speedMps.length;
          for (const [place, corner] of taught.entries()) {
            const before = taught[(place + taught.length - 1) % taught.length]!;
            const [from, to] = [slowestIn(lap, before), slowestIn(lap, corner)];
            const stations = Array.from({ length: (to - from + n) % n || n }, (_, k) => (from + k + 1) % n);
            const fastest = stations.reduce((best, i) => (lap.speedMps[i]! >= lap.speedMps[best]! ? i : best));
            const braking = taughtBraking(lap, corner, 'trailed', before);
            const after = stations.slice(stations.indexOf(fastest));
            const brakes = after.filter((i) => lap.brake[i]! >= 0.03);
            if (!braking) {
              expect(brakes.length * lap.line.stepM).toBeLessThan(6 + lap.line.stepM);
              continue;
            }
            braked += 1;
            expect([braking.from, braking.to]).toEqual([brakes[0]!, brakes.at(-1)!]);
            expect(lap.speedMps[braking.to]!).toBeLessThanOrEqual(lap.speedMps[braking.from]!);
          }
          for (const manner of ['trailed', 'straight'] as const) {
            const settings = {
              speechS: 0.7,
              reactionS: 0.8,
              gearbox: 'auto',
              throttle: 'none',
              braking: manner,
            } as const;
            for (const { calls, corner } of callSheet(lap, taught, settings)) {
              const [brake, release] = [
                calls.find(({ what }) => what.code === 'brake'),
                calls.find(({ kind }) => kind === 'release'),
              ];
              if (!brake || !release) continue;
              expect(release.speedKmh)
                .withContext(`${corner} of ${name}, ${manner}`)
                .toBeLessThanOrEqual(brake.speedKmh);
            }
          }
        }
      }
      expect(braked).toBeGreaterThan(0);
    });

    it(`has no brake cone that nearly stands at the turn-in: ${name}`, () => {
      const circuit = circuitFile.parse({ name, line, corners: [] });
      const fleet = CARS.map(
        (model, place) => ({ id: `c${place}`, name: `c${place}`, number: place, level: 2, model }) as const,
      );
      for (const braking of ['trailed', 'straight'] as const) {
        const custom = { braking, shiftsWithinS: 1, gearsOut: [] };
        const { cones, centre } = studyCircuit(circuit, fleet, [1, 1.25], 1, custom);
        for (const brake of cones.cones.filter(({ kind }) => kind === 'brake')) {
          const turnIn = cones.cones.find(({ kind, corner }) => kind === 'turnIn' && corner === brake.corner)!;
          const apartM = (turnIn.atM - brake.atM + centre.lengthM) % centre.lengthM;
          expect(apartM).withContext(`${brake.corner} of ${name}`).toBeGreaterThan(7);
        }
      }
    });
  }
});
