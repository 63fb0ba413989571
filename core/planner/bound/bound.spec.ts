import fc from 'fast-check';
import type { Day } from '../../day';
import { inEnglish } from '../../testing/in-english';
import { randomDay } from '../../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, at } from '../../testing/small-day';
import { problemOf } from '../place/problem';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';
import { boundOf } from './bound';
import { leastWaiting } from './waiting';
import { solverOf, type SolveProgram } from './program';
import loadHighs from 'highs';

let solve: SolveProgram;
const planned = (day: Day, iterations = 400) => planDay(day, { iterations, random: seededRandom(1) });

/** Guests who know the circuit and want one drive each, in the one car there is. */
const queue = (count: number, more: Partial<Day> = {}): Day =>
  aDay({
    guests: Array.from({ length: count }, (_, n) =>
      aGuest({
        ...{ id: `g${n}`, name: `Guest ${n}`, arrives: at('09:00'), briefed: true, sighted: true },
        drives: [{ id: `d${n}`, cars: ['c1'], laps: 5 }],
      }),
    ),
    ...more,
  });

describe('What no plan can be better than', () => {
  beforeAll(async () => {
    const patient = solverOf(await loadHighs());
    // What takes longer is no bound, and has no place in a spec.
    solve = (program, limitS) => patient(program, Math.min(limitS, 3));
  });

  it('is no more than any plan costs and leaves out, however awkward the day', () => {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 5 }),
        (seed, drives, cars, instructors) => {
          const day = randomDay(seededRandom(seed), { drives, cars, instructors });
          const { plan, cost } = planned(day);
          const bound = boundOf(day, solve);
          if (bound.leftOut.atLeast > plan.unplanned.length)
            throw new Error(`at least ${bound.leftOut.atLeast} left out, the plan ${plan.unplanned.length}`);
          if (bound.total > cost.total + 1e-3) throw new Error(`at least ${bound.total}, the plan ${cost.total}`);
          const least = plan.unplanned.length > bound.leftOut.never.length ? 0 : (bound.waiting?.minutes ?? 0);
          if (least > cost.terms.waiting + 1e-6) throw new Error(`waits at least ${least}, here ${cost.terms.waiting}`);
        },
      ),
      { numRuns: 25 },
    );
    expect(boundOf(aDay(), solve).leftOut.atLeast).toBe(0);
  });

  it('is what the best plan costs, on a day of a few drives', () => {
    const day = queue(4);
    const { cost } = planned(day, 2000);
    expect(boundOf(day, solve).total).toBeCloseTo(cost.total, 2);
    expect(cost.terms.waiting).toBeGreaterThan(20);
  });

  it('is that as well where guests need class and sighting run, and where a drive may be in several cars', () => {
    const cars = [aCar(), aCar({ id: 'c2', name: 'Sabrel R', level: 2 })];
    const instructors = [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })];
    const guest = (id: string, drives: Day['guests'][number]['drives'], more = {}) =>
      aGuest({ id, name: id, arrives: at('09:00'), drives, ...more });
    const day = aDay({
      ...{ cars, instructors },
      guests: [
        guest('g1', [{ id: 'd1', cars: ['c1'], laps: 5 }], { briefed: false, sighted: false, party: 'oak' }),
        guest('g2', [{ id: 'd2', cars: ['c1', 'c2'], laps: 6 }], { arrives: at('09:10'), party: 'oak' }),
        guest('g3', [{ id: 'd3', cars: ['c2'], laps: 6 }], { sighted: false }),
      ],
    });
    const { cost } = planned(day, 4000);
    expect(cost.terms.passes).toBe(0);
    expect(boundOf(day, solve).total).toBeCloseTo(cost.total, 2);
  });

  it('names what is short: the car, the crew, or the circuit', () => {
    const short = { guests: queue(12).guests.map((guest) => ({ ...guest, leavesBy: at('11:00') })) };
    const many = Array.from({ length: 12 }, (_, n) => aCar({ id: `c${n + 1}`, name: `Car ${n + 1}` }));
    const crew = Array.from({ length: 12 }, (_, n) => anInstructor({ id: `i${n + 1}`, name: `Instructor ${n + 1}` }));
    const closing = { closes: at('10:30'), guests: short.guests.map((guest) => ({ ...guest, leavesBy: undefined })) };
    const oneCar = boundOf(queue(12, { ...closing, instructors: crew }), solve).leftOut;
    expect(oneCar.because[0]?.scarce).toBe('cars');
    expect(oneCar.atLeast).toBeGreaterThan(3);
    const anyCar = closing.guests.map((guest) => ({
      ...guest,
      drives: guest.drives.map((drive) => ({ ...drive, cars: many.map(({ id }) => id) })),
    }));
    const oneInstructor = boundOf(queue(12, { ...closing, cars: many, guests: anyCar }), solve).leftOut;
    expect(oneInstructor.because[0]?.scarce).toBe('crew');
    const day = queue(24, { closes: at('10:00'), cars: many, instructors: crew });
    const guests = queue(24).guests.map((guest) => ({
      ...guest,
      drives: guest.drives.map((drive) => ({ ...drive, cars: many.map(({ id }) => id) })),
    }));
    const narrow = boundOf({ ...day, guests, rules: { ...day.rules, maxCarsOnTrack: 1 } }, solve).leftOut;
    expect(narrow.because[0]?.scarce).toBe('circuit');
  });

  it('counts the drives that nothing can give a place', () => {
    const day = queue(2);
    const [first, second] = day.guests;
    const hopeless: Day = { ...day, guests: [first!, { ...second!, leavesBy: at('09:05') }] };
    expect(boundOf(hopeless, solve).leftOut).toEqual({ atLeast: 1, because: [], never: ['d1'] });
  });

  it('lets guests wait at least as long as one car takes for all before them', () => {
    const wait = (count: number) => leastWaiting(problemOf(queue(count)));
    expect(wait(1)).toEqual({ minutes: 0, because: 'hours' });
    expect(wait(2).because).toBe('cars');
    // Three wait twice as long as two, and once more: 1, then 1 + 2 turns of the car.
    expect(wait(3).minutes).toBeCloseTo(3 * wait(2).minutes, 6);
    expect(wait(2).minutes).toBeLessThanOrEqual(planned(queue(2)).cost.terms.waiting + 1e-9);
  });

  it('is told in sentences', () => {
    const tell = inEnglish(aDay()).howGood;
    const { cost } = planned(queue(4));
    const bound = {
      leftOut: { atLeast: 3, because: [{ scarce: 'circuit' as const, atLeast: 3 }], never: [] },
      waiting: undefined,
      total: 0,
    };
    expect(tell({ cost, leftOut: 5 }, bound)).toEqual([
      'Every plan leaves out at least 3, this one 5: the circuit has no room for more.',
      jasmine.stringMatching(
        /^All that counts together is at most \d+ min above the best there can be, in minutes that one guest waits\.$/,
      ),
    ]);
    expect(tell({ cost, leftOut: 3 }, bound)[0]).toBe(
      'No plan leaves out fewer than 3: the circuit has no room for more.',
    );
    const none = { ...bound, leftOut: { atLeast: 0, because: [], never: [] } };
    expect(tell({ cost, leftOut: 0 }, { ...none, waiting: { minutes: 12.7, because: 'cars' } })[0]).toMatch(
      /no plan with as many drives makes it less than 12: the cars they are booked in are not free sooner\.$/,
    );
    expect(tell({ cost, leftOut: 0 }, { ...none, total: cost.total })).toEqual([
      'No plan of this day is better: that is proven.',
    ]);
  });
});
