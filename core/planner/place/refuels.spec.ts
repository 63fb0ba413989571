import fc from 'fast-check';
import { checkPlan } from '../../rules';
import type { Day } from '../../day';
import { randomDay } from '../../testing/random-day';
import { aCar, aDay, aGuest, at } from '../../testing/small-day';
import { withReasons } from '../search/explain';
import { planDay } from '../search/plan-day';
import { seededRandom } from './random';
import { loadPlan } from '../search/load';
import { DRIVE, refuelOccupancy } from './occupancy';
import { cheapestDrive, putIn } from './place-drive';
import { problemOf } from './problem';
import { takeOut } from '../search/rebuild';
import { fuelLasts, refuelsWith } from './refuels';
import { Timetable } from './timetable';

/** One car with fuel for ten laps above its reserve, and two guests of eight laps each. */
const fuel = { capacityL: 30, startL: 18, reserveL: 8, perLapL: 1, refuelS: 480 };
const guest = (id: string) =>
  aGuest({ id, briefed: true, sighted: true, drives: [{ id: `${id}-1`, cars: ['c1'], laps: 8 }] });
const day: Day = aDay({ cars: [aCar({ fuel })], guests: [guest('g1'), guest('g2')] });

const placed = (timetable: Timetable, drive: number, release: string) => {
  const found = cheapestDrive(timetable, drive, { fromS: at(release), toS: at(release) });
  if (found) putIn(timetable, found);
  return found;
};

describe('Refuels', () => {
  it('come before the drive that lacks the fuel, and stay out where it lasts', () => {
    const timetable = new Timetable(problemOf(day));
    expect(placed(timetable, 0, '10:00')?.refuels).toEqual({ out: [], in: [] });
    const second = placed(timetable, 1, '11:00');
    expect(second?.refuels.in.length).toBe(1);
    expect(second!.refuels.in[0]!.startS).toBeGreaterThanOrEqual(timetable.driveOccupancy[0]!.endS);
    expect(second!.refuels.in[0]!.endS).toBeLessThanOrEqual(second!.occupancy.startS);
  });

  it('give way to a drive that goes where they were', () => {
    const problem = problemOf(day);
    const timetable = new Timetable(problem);
    placed(timetable, 0, '10:00');
    placed(timetable, 1, '11:00');
    const [refuel] = timetable.refuels;
    takeOut(timetable, timetable.driveOccupancy[0]!);
    expect(timetable.refuels.length).withContext('one drive needs none').toBe(0);
    timetable.add(refuel!);
    const found = placed(timetable, 0, '10:17');
    expect(found?.refuels.out).toEqual([refuel!]);
    expect(checkPlan(day, withReasons(timetable)).valid).toBe(true);
  });

  it('that stand are not moved', () => {
    const problem = problemOf(day);
    const timetable = new Timetable(problem);
    timetable.add(refuelOccupancy(problem, 0, at('10:00'), true));
    expect(placed(timetable, 0, '10:05')).toBeUndefined();
    expect(placed(timetable, 0, '10:30')?.refuels).toEqual({ out: [], in: [] });
  });

  it('of another car keep their bay', () => {
    const two = aDay({
      cars: [aCar({ fuel }), aCar({ id: 'c2', name: 'Sabrel R', fuel })],
      guests: [guest('g1'), guest('g2')],
    });
    const problem = problemOf({ ...two, rules: { ...two.rules, refuelBays: 1 } });
    const timetable = new Timetable(problem);
    placed(timetable, 0, '10:00');
    const drive = timetable.driveOccupancy[0]!;
    // From the end of the first drive on the bay is taken until shortly before the second.
    timetable.add(refuelOccupancy(problem, 1, drive.endS, true));
    const found = placed(timetable, 1, '11:00');
    expect(found?.refuels.in[0]?.startS).toBeGreaterThanOrEqual(drive.endS + fuel.refuelS);
  });

  it('let the fuel last wherever a drive goes, as the plain checker sees it', () => {
    let planned = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 5, max: 30 }), (seed, drives) => {
        const random = seededRandom(seed);
        const { cars, ...rest } = randomDay(random, { drives, cars: 3 });
        // Tanks so small that every car is filled several times.
        const thirsty: Day = {
          ...rest,
          cars: cars.map((car) => ({
            ...car,
            fuel: { ...car.fuel, capacityL: 26, startL: 20, reserveL: 6, perLapL: 1 },
          })),
        };
        const timetable = loadPlan(
          problemOf(thirsty),
          planDay(thirsty, { iterations: 60, random: seededRandom(1) }).plan,
        );
        for (const car of thirsty.cars.keys()) {
          expect(fuelLasts(timetable, car, timetable.carRefuels[car]!)).toBe(true);
          planned += timetable.carRefuels[car]!.length;
        }
        for (const occupancy of [...timetable.circuit].filter(({ kind }) => kind === DRIVE)) {
          const mark = timetable.mark();
          takeOut(timetable, occupancy);
          expect(refuelsWith(timetable, occupancy.car, occupancy))
            .withContext('where it just was')
            .toBeDefined();
          timetable.back(mark);
        }
        return checkPlan(thirsty, withReasons(timetable)).valid;
      }),
      { numRuns: 15 },
    );
    expect(planned).toBeGreaterThan(0);
  });
});
