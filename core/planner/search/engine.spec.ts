import fc from 'fast-check';
import { checkPlan } from '../../rules';
import { costOf } from '../../cost';
import { layOut, type Day } from '../../day';
import { mixedDay } from '../../testing/group-days';
import { randomDay } from '../../testing/random-day';
import { aCar, aDay, aGuest, at } from '../../testing/small-day';
import { withReasons } from './explain';
import { planDay } from './plan-day';
import { seededRandom, type Random } from '../place/random';
import { loadPlan } from './load';
import { cheapestDrive, putIn } from '../place/place-drive';
import { problemOf } from '../place/problem';
import { randomStrategy, rebuild, SOON, takeOut } from './rebuild';
import { MOVES } from './search';
import { Timetable } from '../place/timetable';

function filled(day: Day, steps = 20): Timetable {
  const { plan } = planDay(day, { iterations: steps, random: seededRandom(1) });
  return loadPlan(problemOf(day), plan);
}

/** A third of them with groups and rides. */
const anyDay = (random: Random, drives: number) =>
  random() < 0.33 ? mixedDay(random, drives, 3) : randomDay(random, { drives });

const plain = (timetable: Timetable) => costOf(layOut(timetable.problem.day, withReasons(timetable))).total;

describe('A timetable', () => {
  it('costs just what the plain sum says, whatever is taken out and put back', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 45 }), (seed, drives) => {
        const random = seededRandom(seed);
        const timetable = filled(anyDay(random, drives));
        for (let step = 0; step < 15; step++) {
          const { move } = MOVES[Math.floor(random() * MOVES.length)]!;
          rebuild(timetable, move(timetable, random, 6), randomStrategy(random));
          // Not a number is no cost either.
          if (!(Math.abs(timetable.cost() - plain(timetable)) <= 1e-6)) {
            throw new Error(`${timetable.cost()} instead of ${plain(timetable)}`);
          }
        }
      }),
      { numRuns: 30 },
    );
    expect(new Timetable(problemOf(aDay())).cost()).toBe(2000);
  });

  it('is as it was when every change is taken back', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 40 }), (seed, drives) => {
        const random = seededRandom(seed);
        const timetable = filled(anyDay(random, drives));
        const [plan, cost] = [JSON.stringify(timetable.toPlan([])), timetable.cost()];
        const mark = timetable.mark();
        for (const { move } of MOVES) rebuild(timetable, move(timetable, random, 8), randomStrategy(random));
        timetable.back(mark);
        return JSON.stringify(timetable.toPlan([])) === plan && Math.abs(timetable.cost() - cost) < 1e-6;
      }),
      { numRuns: 30 },
    );
    expect(filled(aDay()).plannedDrives).toBe(1);
  });

  it('takes a valid plan in as it is', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 60 }), (seed, drives) => {
        const day = randomDay(seededRandom(seed), { drives });
        const { plan } = planDay(day, { iterations: 100, random: seededRandom(2) });
        const again = withReasons(loadPlan(problemOf(day), plan));
        expect(again.drives).toEqual(plan.drives);
        expect(again.briefings.length).toBe(plan.briefings.length);
        expect(new Set(again.refuels.map((refuel) => JSON.stringify(refuel)))).toEqual(
          new Set(plan.refuels.map((refuel) => JSON.stringify(refuel))),
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe('The cheapest place of a drive', () => {
  it('costs what it says and breaks no rule', () => {
    let tried = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 4, max: 40 }), (seed, drives) => {
        const timetable = filled(randomDay(seededRandom(seed), { drives }));
        const { problem } = timetable;
        for (const occupancy of timetable.driveOccupancy) {
          if (!occupancy) continue;
          const mark = timetable.mark();
          takeOut(timetable, occupancy);
          const without = timetable.cost();
          const place = cheapestDrive(timetable, occupancy.drive);
          if (place) {
            tried += 1;
            putIn(timetable, place);
            const grown = timetable.cost() - without + problem.weights.unplanned;
            if (!(Math.abs(grown - place.price) <= 1e-6)) throw new Error(`said ${place.price}, was ${grown}`);
            const { violations } = checkPlan(problem.day, withReasons(timetable));
            if (violations.length > 0) throw new Error(JSON.stringify(violations[0]));
          }
          timetable.back(mark);
        }
      }),
      { numRuns: 25 },
    );
    expect(tried).toBeGreaterThan(0);
  });

  it('is no dearer than any that a plain walk through the day finds', () => {
    let found = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 2, max: 25 }), (seed, drives) => {
        const timetable = filled(randomDay(seededRandom(seed), { drives, cars: 3, instructors: 4 }));
        const { problem } = timetable;
        for (const occupancy of timetable.driveOccupancy.filter((other) => other !== undefined).slice(0, 2)) {
          timetable.remove(occupancy);
          const empty = timetable.toPlan([]);
          const place = cheapestDrive(timetable, occupancy.drive, { stepS: 1 });
          const { drive, guest } = problem.drives[occupancy.drive]!;
          const others = problem.drives
            .filter((_, number) => !timetable.driveOccupancy[number])
            .map((facts) => ({ drive: facts.drive.id, reason: 'out' }));
          const outside = costOf(layOut(problem.day, { ...empty, unplanned: others })).total;
          for (const option of problem.drives[occupancy.drive]!.options) {
            for (const crew of option.crew) {
              for (let release = problem.guests[guest]!.arrivesS; release < problem.day.closes; release += 397) {
                const planned = {
                  drive: drive.id,
                  car: problem.cars[option.car]!.car.id,
                  instructor: problem.crew[crew]!.instructor.id,
                  release,
                };
                const unplanned = others.filter((other) => other.drive !== drive.id);
                const verdict = checkPlan(problem.day, { ...empty, drives: [...empty.drives, planned], unplanned });
                if (!verdict.valid) continue;
                found += 1;
                const price = verdict.cost.total - outside + problem.weights.unplanned;
                if (!place || !(place.price <= price + 1e-6)) {
                  throw new Error(`found ${place?.price}, ${JSON.stringify(planned)} costs ${price}`);
                }
              }
            }
          }
          timetable.add(occupancy);
        }
      }),
      { numRuns: 12 },
    );
    expect(found).toBeGreaterThan(0);
  });
});

describe('A drive for which the fuel would not last', () => {
  const fuel = { capacityL: 30, startL: 13, reserveL: 10, perLapL: 1, refuelS: 480 };
  const placeAt = (release: string, bays = 1, from = '08:00') => {
    const day = aDay({ cars: [aCar({ fuel, available: [{ from: at(from), to: at('18:00') }] })], guests: [aGuest()] });
    const problem = problemOf({ ...day, rules: { ...day.rules, refuelBays: bays } });
    return cheapestDrive(new Timetable(problem), 0, { fromS: at(release), toS: at(release) });
  };

  it('gets a refuel before it, as early as the car is there', () => {
    expect(placeAt('09:30')?.refuels.in[0]?.startS).toBe(at('08:00'));
  });

  it('has no place before the refuel is done, or without a bay', () => {
    // Refuelling takes from 09:20 to 09:28, and the set-up four minutes.
    expect(placeAt('09:31:59', 1, '09:20')).toBeUndefined();
    expect(placeAt('09:32', 1, '09:20')?.refuels.in[0]?.startS).toBe(at('09:20'));
    expect(placeAt('09:30', 0)).toBeUndefined();
  });
});

describe('Putting drives back', () => {
  it('gives a drive one place however often it is asked for', () => {
    const timetable = new Timetable(problemOf(aDay()));
    rebuild(timetable, [0, 0, 0], SOON);
    expect(timetable.toPlan([]).drives.length).toBe(1);
  });
});
