import { fact } from '../../values';
import * as fc from 'fast-check';
import { centreLineOf, cornersOf, lineBeside, corridorOf, minimumCurvature, type CentreLine } from '../circuit';
import { circle, mirrored, oval, square, swinging } from '../../testing/circuits';
import { carOf, type Car } from './car';
import { carFile } from './car-file';
import { isLap, LapModel, type Lap, type Pace } from './lap';
import { racingLine, teachingLine } from './lines';

const file = {
  format: 'joylap-car',
  version: 1,
  massKg: 1440,
  peakPowerKW: 360,
  peakPowerRpm: 7000,
  maxRpm: 7800,
  gears: [3.2, 2.2, 1.65, 1.3, 1.05, 0.86],
  finalDrive: 3.8,
  tyreRadiusM: 0.34,
} as const;
const aCar = (changed: Partial<Car> = {}): Car => ({ ...carOf(carFile.parse(file)).car, ...changed });
const frictionless = { dragAreaM2: 0, rollingResistance: 0, downforceAreaM2: 0 };

function driven(car: Car, line: Parameters<typeof cornersOf>[0], pace: Pace = 1, grip = 1): Lap {
  const lap = new LapModel(car, line).lap(pace, grip);
  if (!isLap(lap)) throw new Error(lap.reason.code);
  return lap;
}

describe('A lap', () => {
  it('on a circle is driven at the speed that grip allows sideways', () => {
    const lap = driven(aCar(frictionless), centreLineOf(circle(60)));
    const expected = Math.sqrt(0.8 * 1.05 * 9.81 * 60);
    expect(lap.slowestKmh / 3.6 / expected).toBeCloseTo(1, 3);
    expect(lap.topSpeedKmh / 3.6 / expected).toBeCloseTo(1, 3);
    expect(lap.lapTimeS).toBeCloseTo((2 * Math.PI * 60) / expected, 1);
  });

  it('gains speed over a straight as constant power against drag does', () => {
    // One gear, flat power: F = P / v. Closed form: v³ = P/k − (P/k − v₀³) · e^(−3ks/m), with k the drag constant.
    const car = aCar({
      power: [{ rpm: 500, kW: 200 }],
      gears: [1],
      finalDrive: 3,
      lowestGear: 1,
      maxRpm: 9000,
      rollingResistance: 0,
      gripLongitudinal: 2,
    });
    const line = centreLineOf(oval(2000, 40));
    const lap = driven(car, line);
    const massKg = car.massKg + car.peopleKg;
    const k = 0.5 * 1.2 * car.dragAreaM2;
    const powerW = 200_000 * 0.92 * car.drivelineEfficiency;
    // From the middle of the straight on, where neither grip nor brakes limit.
    const [from, to] = [0, Math.round(500 / line.stepM)];
    const v0 = lap.speedMps[from]!;
    const expected = Math.cbrt(powerW / k - (powerW / k - v0 ** 3) * Math.exp((-3 * k * to * line.stepM) / massKg));
    expect(lap.speedMps[to]! - v0).toBeGreaterThan(1);
    expect(Math.abs(lap.speedMps[to]! / expected - 1)).toBeLessThan(0.005);
  });

  it('brakes over the distance that the brakes need', () => {
    const car = aCar(frictionless);
    const line = centreLineOf(oval(900, 40));
    const lap = driven(car, line);
    const brakes = [...lap.brake].map((share, i) => ({ share, i })).filter(({ share }) => share > 0.98);
    const [first] = brakes;
    const last = brakes.filter(({ i }) => Math.abs(line.curvature[i]!) < 1e-5 && i - first!.i < 300).at(-1)!;
    const [v, w] = [lap.speedMps[first!.i + 1]!, lap.speedMps[last.i]!];
    const distanceM = (last.i - first!.i - 1) * line.stepM;
    expect(distanceM).toBeGreaterThan(60);
    expect(distanceM / ((v * v - w * w) / (2 * 0.7 * 1.1 * 9.81))).toBeCloseTo(1, 2);
  });

  const waves = fc.array(
    fc.tuple(fc.double({ min: 0, max: 0.06, noNaN: true }), fc.double({ min: 0, max: 6.28, noNaN: true })),
    {
      minLength: 2,
      maxLength: 5,
    },
  );
  const anyCircuit = fc
    .tuple(fc.integer({ min: 90, max: 400 }), waves)
    .map(([radius, swings]) => swinging(radius, swings));

  it('keeps its energy: what the engine gives goes into drag, rolling, height and brakes', () => {
    fc.assert(
      fc.property(anyCircuit, fc.double({ min: 0.6, max: 1, noNaN: true }), (points, grip) => {
        const hills = points.map((point, i) => ({ ...point, zM: 6 * Math.sin((2 * Math.PI * i) / points.length) }));
        const { energy } = driven(aCar(), centreLineOf(hills), 1, grip);
        expect(Math.abs(energy.kinetic)).toBeLessThan(0.01 * energy.drive);
        const spent = energy.drag + energy.rolling + energy.height + energy.brakes + energy.kinetic;
        expect(Math.abs(spent / energy.drive - 1)).toBeLessThan(0.01);
        expect(Math.abs(energy.height)).toBeLessThan(0.01 * energy.drive);
      }),
      { numRuns: 25 },
    );
  });

  it('hardly changes with half the step', () => {
    fc.assert(
      fc.property(anyCircuit, (points) => {
        const [whole, half] = [2, 1].map((stepM) => driven(aCar(), centreLineOf(points, stepM)).lapTimeS);
        expect(Math.abs(half! / whole! - 1)).toBeLessThan(0.002);
      }),
      { numRuns: 20 },
    );
  });

  it('never passes what grip allows, nor is slower on the racing line than on the centre line', () => {
    fc.assert(
      fc.property(anyCircuit, (points) => {
        const car = aCar();
        const centre = centreLineOf(points);
        const racing = racingLine(centre, car);
        const lap = driven(car, racing);
        lap.sidewaysMps2.forEach((a, i) => {
          const normal = 9.81;
          expect(Math.abs(a)).toBeLessThan(0.8 * 1.05 * normal * 1.0001);
          expect(lap.speedMps[i]!).toBeGreaterThan(0);
        });
        expect(lap.lapTimeS).toBeLessThanOrEqual(driven(car, centre).lapTimeS * 1.0000001);
        const teaching = teachingLine(centre, car, [], 2, racing);
        expect(driven(car, teaching).lapTimeS).toBeGreaterThanOrEqual(lap.lapTimeS);
      }),
      { numRuns: 15 },
    );
  });

  it('is the same in a mirror, and another by little with its hills turned upside down', () => {
    const points = swinging(200, [
      [0.08, 1],
      [0.05, 2],
      [0.04, 0.3],
    ]).map((point, i, all) => ({ ...point, zM: 8 * Math.sin((4 * Math.PI * i) / all.length) }));
    const time = (line: typeof points) => driven(aCar(), centreLineOf(line)).lapTimeS;
    const straight = time(points);
    expect(time(mirrored(points) as typeof points)).toBeCloseTo(straight, 6);
    const inverted = time(points.map((point) => ({ ...point, zM: -point.zM })));
    expect(Math.abs(inverted - straight)).toBeGreaterThan(1e-4);
    expect(Math.abs(inverted / straight - 1)).toBeLessThan(0.02);
  });

  it('takes as many times as long as the pace says, and no quicker than the car goes', () => {
    const model = new LapModel(aCar(), centreLineOf(oval(400, 50)));
    const lapOf = (pace: Pace) => {
      const lap = model.lap(pace);
      return isLap(lap) ? lap.lapTimeS : lap.reason.code;
    };
    const good = lapOf(1) as number;
    for (const pace of [0.95, 1.12, 1.25, 1.6]) expect((lapOf(pace) as number) / good).toBeCloseTo(pace, 3);
    expect(lapOf('professional')).toBeLessThan(good);
    expect(lapOf(0.5)).toBe('paceTooQuick');
    expect(lapOf(200)).toBe('paceTooSlow');
  });

  it('takes longer, and heats the brakes less, where it is wet', () => {
    const line = centreLineOf(oval(400, 50));
    const [dry, damp, wet] = [1, 0.8, 0.65].map((grip) => driven(aCar(), line, 1, grip));
    expect(dry!.lapTimeS).toBeLessThan(damp!.lapTimeS);
    expect(damp!.lapTimeS).toBeLessThan(wet!.lapTimeS);
    expect(wet!.fuelL).toBeLessThan(dry!.fuelL);
  });

  it('ends where a hill is too steep for the engine, and says where', () => {
    const points = oval(800, 50).map((point, i, all) => ({
      ...point,
      zM: 110 * Math.sin((2 * Math.PI * i) / all.length) ** 2,
    }));
    const lap = new LapModel(aCar({ power: [{ rpm: 3000, kW: 20 }] }), centreLineOf(points)).lap();
    expect(isLap(lap)).toBe(false);
    if (!isLap(lap)) expect([lap.reason, lap.atM! > 0]).toEqual([fact('cannotClimb', {}), true]);
  });

  it('cannot be driven round a bend that the steering does not reach', () => {
    const lap = new LapModel(
      aCar(),
      centreLineOf(
        circle(34).map((p) => ({ ...p, xM: p.xM / 10 })),
        0.5,
      ),
    ).lap();
    expect(isLap(lap) ? '' : lap.reason.code).toBe('cannotTurn');
  });

  it('changes up with the force away for the time of the shift, and each change once', () => {
    const line = centreLineOf(oval(900, 40));
    const quick = driven(aCar({ shiftS: 0 }), line);
    const slow = driven(aCar({ shiftS: 0.6 }), line);
    expect(slow.lapTimeS).toBeGreaterThan(quick.lapTimeS + 0.2);
    const ups = slow.changes.filter(({ from, to }) => to > from);
    const downs = slow.changes.filter(({ from, to }) => to < from);
    expect(ups.reduce((sum, { from, to }) => sum + to - from, 0)).toBe(
      downs.reduce((sum, { from, to }) => sum + from - to, 0),
    );
    expect(ups.length).toBeGreaterThanOrEqual(2);
  });

  it('is limited by the driven wheels: all four pull best out of a corner', () => {
    const line = centreLineOf(oval(300, 25));
    const time = (drivenWheels: Car['drivenWheels']) =>
      driven(aCar({ drivenWheels, power: [{ rpm: 1000, kW: 500 }] }), line).lapTimeS;
    expect(time('all')).toBeLessThan(time('rear'));
    expect(time('rear')).toBeLessThan(time('front'));
  });
});

describe('The line of minimum curvature', () => {
  const bending = (centre: CentreLine, offsets: Float64Array) => {
    const line = lineBeside(centre, offsets, 0.5);
    return line.curvature.reduce((sum, curvature) => sum + (curvature ** 2 + 1e-6) * line.stepM, 0);
  };

  it('stays within the edges, and nothing near it bends less', () => {
    const car = aCar();
    fc.assert(
      fc.property(fc.integer({ min: 90, max: 300 }), fc.integer({ min: 0, max: 1000 }), (radius, where) => {
        const centre = centreLineOf(
          swinging(radius, [
            [0.05, 0.4],
            [0.08, 1.4],
            [0.03, 2.5],
          ]),
        );
        const corridor = corridorOf(centre, car.widthM);
        const offsets = minimumCurvature(centre, corridor);
        offsets.forEach((offset, i) => {
          expect(offset).toBeGreaterThanOrEqual(corridor.lowM[i]! - 1e-9);
          expect(offset).toBeLessThanOrEqual(corridor.highM[i]! + 1e-9);
        });
        const least = bending(centre, offsets);
        const n = offsets.length;
        for (const push of [-0.3, 0.3]) {
          const nearby = offsets.map((offset, i) => {
            const away = Math.abs(((i - where + n + n / 2) % n) - n / 2) * centre.stepM;
            const pushed = offset + push * Math.exp(-((away / 40) ** 2));
            return Math.min(corridor.highM[i]!, Math.max(corridor.lowM[i]!, pushed));
          });
          expect(bending(centre, nearby)).toBeGreaterThan(least * 0.9999);
        }
      }),
      { numRuns: 12 },
    );
  });

  it('takes a bend from the outside over the inside to the outside', () => {
    const centre = centreLineOf(square(500, 40, 6));
    const [corner] = cornersOf(centre);
    const offsets = minimumCurvature(centre, corridorOf(centre, 2));
    const at = (m: number) => offsets[Math.round(m / centre.stepM)]!;
    expect(at((corner!.entryM + corner!.exitM) / 2)).toBeGreaterThan(4);
    expect(at(corner!.entryM - 40)).toBeLessThan(-3);
    expect(at(corner!.exitM + 40)).toBeLessThan(-3);
  });
});

describe('A car file', () => {
  const faults = (changed: object) =>
    carFile
      .safeParse({ ...file, ...changed })
      .error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

  it('refuses what no car is, with the range', () => {
    expect(faults({ gripLateral: 5 })).toEqual(['gripLateral: expected 0.2 to 2']);
    expect(faults({ massKg: 20 })).toEqual(['massKg: expected 400 to 3500 kg']);
    expect(faults({ gears: [2, 3] })).toEqual(['gears.1: expected less than 2, the ratios must fall']);
    expect(faults({ maxRpm: 6000 })).toEqual(['maxRpm: expected at least peakPowerRpm, 7000']);
    expect(faults({ peakPowerKW: undefined })).toEqual([
      'power: expected "power", or "peakPowerKW" with "peakPowerRpm"',
    ]);
    expect(faults({ lowestGear: 7 })).toEqual(['lowestGear: expected one of the 6 gears']);
    expect(faults({ wings: 2 }).length).toBe(1);
  });

  it('says what it fills in', () => {
    const { car, assumed } = carOf(carFile.parse({ ...file, engine: 'mid', dragAreaM2: 0.7 }));
    expect(car.frontWeightShare).toBe(0.42);
    expect(assumed).toContain('wheelbaseM');
    expect(assumed).not.toContain('dragAreaM2');
    expect(carOf(carFile.parse({ ...file, gears: [1] })).car.lowestGear).toBe(1);
  });
});
