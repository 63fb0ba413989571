import fc from 'fast-check';
import { checkPlan } from '../../rules';
import { costOf } from '../../cost';
import { layOut, type Day } from '../../day';
import { mixedDay } from '../../testing/group-days';
import { randomDay } from '../../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, at } from '../../testing/small-day';
import { withReasons } from './explain';
import { planDay } from './plan-day';
import { seededRandom, type Random } from '../place/random';
import { loadPlan } from './load';
import { moveShared } from './moves';
import { problemOf } from '../place/problem';
import { randomStrategy, inListedOrder, rebuild } from './rebuild';
import { clearAround, makeRoom } from './ruin';
import { MOVES } from './search';
import type { Timetable } from '../place/timetable';

const filled = (day: Day, steps = 20) =>
  loadPlan(problemOf(day), planDay(day, { iterations: steps, random: seededRandom(1) }).plan);

type Tried = [name: string, move: (timetable: Timetable, random: Random) => void, grouped?: true | undefined];

/** Moves by name, as the search makes them. */
const TRIED: readonly Tried[] = [
  ...MOVES.map(({ name, move, grouped }): Tried => [
    name,
    (timetable, random) => rebuild(timetable, move(timetable, random, 6), randomStrategy(random)),
    grouped,
  ]),
  [
    'everything around a moment out for a drive without a place',
    (timetable, random) => {
      const [drive] = timetable.driveOccupancy.flatMap((there, number) => (there ? [] : [number]));
      if (drive !== undefined) rebuild(timetable, clearAround(timetable, random, [drive]), randomStrategy(random));
    },
  ],
];

describe('A move', () => {
  for (const [name, move, grouped] of TRIED) {
    it(`(${name}) breaks no rule, and costs what the plain sum says`, () => {
      let changed = 0;
      fc.assert(
        fc.property(fc.nat(), fc.integer({ min: 6, max: 40 }), (seed, drives) => {
          const random = seededRandom(seed);
          const day = grouped ? mixedDay(random, drives, 3) : randomDay(random, { drives });
          const timetable = filled(day);
          const before = JSON.stringify(timetable.toPlan([]));
          for (let step = 0; step < 15; step++) move(timetable, random);
          const plan = withReasons(timetable);
          if (JSON.stringify(timetable.toPlan([])) !== before) changed += 1;
          const { violations } = checkPlan(day, plan);
          if (violations.length > 0) throw new Error(JSON.stringify(violations[0]));
          return Math.abs(timetable.cost() - costOf(layOut(day, plan)).total) < 1e-6;
        }),
        { numRuns: 12 },
      );
      // On days with one class, or without a party, there is nothing to move.
      expect(changed).toBeGreaterThan(1);
    });
  }

  it('of a class leaves everybody in it', () => {
    fc.assert(
      fc.property(fc.nat(), (seed) => {
        const random = seededRandom(seed);
        const timetable = filled(randomDay(random, { drives: 30 }));
        const seats = () => [
          timetable.briefings.map(({ guests }) => [...guests].sort().join()).sort(),
          timetable.circuit
            .filter(({ drive }) => drive < 0)
            .map(({ guests }) => [...guests].sort().join())
            .sort(),
        ];
        const before = JSON.stringify(seats());
        for (let step = 0; step < 40; step++) moveShared(timetable, random);
        return JSON.stringify(seats()) === before;
      }),
      { numRuns: 20 },
    );
    expect(filled(aDay()).briefings.length).toBeLessThanOrEqual(1);
  });
});

describe('Drives in the order listed', () => {
  /** A guest whose first drive takes long, and is left out as the second is planned where only the first would go. */
  const listed = aGuest({
    arrives: at('09:00'),
    leavesBy: at('11:00'),
    sequence: 'asListed',
    briefed: true,
    sighted: true,
    drives: [
      { id: 'first', cars: ['c1'], laps: 8 },
      { id: 'second', cars: ['c2'], laps: 5 },
    ],
  });
  const day = aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [listed],
  });

  it('take their turns by it, whoever else is between', () => {
    const problem = problemOf(day);
    expect(inListedOrder(problem, [1, 0])).toEqual([0, 1]);
    const free = problemOf({ ...day, guests: [{ ...listed, sequence: 'any' }] });
    expect(inListedOrder(free, [1, 0])).toEqual([1, 0]);
  });

  it('make room for an earlier one by going later themselves', () => {
    const problem = problemOf(day);
    const timetable = loadPlan(problem, planDay(day, { iterations: 0, random: seededRandom(1) }).plan);
    expect(timetable.plannedDrives).toBe(2);
    // The second as early as it can be: nothing is left before it.
    for (const occupancy of [...timetable.circuit]) timetable.remove(occupancy);
    rebuild(timetable, [1], { ...randomStrategy(seededRandom(3)), order: 'given', stepS: 15, skipChance: 0 });
    rebuild(timetable, [0], { ...randomStrategy(seededRandom(3)), order: 'given', stepS: 15, skipChance: 0 });
    expect(timetable.plannedDrives).toBe(1);
    expect(withReasons(timetable).unplanned.map(({ reason }) => reason)).toEqual([
      jasmine.objectContaining({ code: 'laterOnesFirst', subjects: { guest: 'g1' } }),
    ]);
    timetable.commit();
    rebuild(timetable, makeRoom(timetable, seededRandom(1), 4, [0]), {
      ...randomStrategy(seededRandom(1)),
      order: 'given',
    });
    expect(timetable.plannedDrives).toBe(2);
  });

  it('are all planned on a day that has room for them', () => {
    const random = seededRandom(5);
    const roomy = randomDay(random, { drives: 30, cars: 10, instructors: 8 });
    const inOrder = { ...roomy, guests: roomy.guests.map((guest) => ({ ...guest, sequence: 'asListed' as const })) };
    const { plan } = planDay(inOrder, { iterations: 400, random: seededRandom(1) });
    const reasons = plan.unplanned.map(({ reason }) => (typeof reason === 'string' ? reason : reason.code));
    expect(reasons).not.toContain('laterOnesFirst');
    expect(checkPlan(inOrder, plan).valid).toBe(true);
  });
});
