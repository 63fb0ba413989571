import fc from 'fast-check';
import { carOf, isLap, LapModel, racingLine } from '../../track/car';
import { circuitFile } from '../../track/circuit/at-start';
import { centreLineOf } from '../../track/circuit';
import { square } from '../../testing/circuits';
import { CAR_KINDS, type CarKind } from './car-kinds';
import { carFields, isInFleet, plannedCar } from './car-fields';
import { starterSet } from './starter-set';

const NAMES = Object.fromEntries(CAR_KINDS.map((kind) => [kind, kind])) as Record<CarKind, string>;
const AT = { currency: 'EUR', lapLengthM: 2000, available: [{ from: 32_400, to: 61_200 }] };

describe('The starter set', () => {
  it('has whole cars: each could be saved, is planned, and drives a lap by its model', () => {
    const cars = starterSet(Object.fromEntries(CAR_KINDS.map((kind) => [kind, 1])), NAMES, [], AT);
    const centre = centreLineOf(circuitFile.parse({ name: 'Loop', line: square(500, 40) }).line, 3);
    const laps = cars.map((fields) => {
      expect(
        carFields.safeParse(JSON.parse(JSON.stringify({ ...fields, available: [{ from: '09:00', to: '17:00' }] })))
          .success,
      )
        .withContext(fields.name)
        .toBeTrue();
      expect(plannedCar(fields).lapTimeS).toBeGreaterThan(60);
      const { car } = carOf(fields.model!);
      const lap = new LapModel(car, racingLine(centre, car)).lap();
      return isLap(lap) ? lap.lapTimeS : Infinity;
    });
    for (const lapTimeS of laps) expect(lapTimeS).toBeLessThan(200);
    // The fierce one is quicker than the small one, by the model as by what is assumed.
    expect(laps.at(-1)).toBeLessThan(laps[0]!);
    expect(cars.at(-1)!.lapTimeS).toBeLessThan(cars[0]!.lapTimeS);
  });

  it('gives every car its own id, number and name, beside whatever is in the fleet already', () => {
    const counts = fc.record(Object.fromEntries(CAR_KINDS.map((kind) => [kind, fc.integer({ min: 0, max: 4 })])));
    fc.assert(
      fc.property(counts, counts, (before, after) => {
        const first = starterSet(before, NAMES, [], AT);
        const all = [...first, ...starterSet(after, NAMES, first, AT)];
        for (const of of ['id', 'number', 'name'] as const)
          expect(new Set(all.map((car) => car[of])).size).toBe(all.length);
      }),
    );
  });

  it('says of its numbers that they are assumed', () => {
    const [car] = starterSet({ roadster: 1 }, NAMES, [], AT);
    expect(car!.assumed).toEqual(jasmine.arrayContaining(['lapTimeS', 'fuel.perLapL', 'model.massKg', 'lapPrice']));
  });

  it('has prices in euros, and none where a venue sells in another currency', () => {
    const [car] = starterSet({ roadster: 1 }, NAMES, [], { ...AT, currency: 'CLP' });
    expect([car!.lapPrice, car!.assumed!.includes('lapPrice')]).toEqual([undefined, false]);
  });

  it('belongs to the fleet until the day on which a car is taken out', () => {
    const car = { leftOn: '2027-05-22' };
    expect(['2027-05-21', '2027-05-22'].map((date) => isInFleet(car, date))).toEqual([true, false]);
  });
});
