import fc from 'fast-check';
import { rotationTable, roundsOf, runNow, sharedRuns, spottersOf, teamsOf } from './rotation';

const few = fc.integer({ min: 1, max: 8 });

describe('A rotation over stations', () => {
  it('never has two teams at one station, and takes every team to every station once', () => {
    fc.assert(
      fc.property(few, few, (teams, stations) => {
        const table = rotationTable(teams, stations);
        for (const round of table) {
          const taken = round.filter((at) => at !== undefined);
          expect(new Set(taken).size).toBe(taken.length);
        }
        for (let team = 0; team < teams; team++) {
          const own = table.flatMap((round) => round[team] ?? []);
          expect(own.sort()).toEqual(Array.from({ length: stations }, (_, at) => at));
        }
      }),
    );
  });

  it('lets nobody onto the full course before every exercise', () => {
    fc.assert(
      fc.property(few, few, fc.integer({ min: 0, max: 2 }), (teams, exercises, courses) => {
        const stations = [
          ...Array.from({ length: courses }, () => ({ kind: 'course' })),
          ...Array.from({ length: exercises }, () => ({ kind: 'slalom' })),
        ];
        const table = roundsOf(teams, stations);
        for (const round of table) {
          const taken = round.filter((at) => at !== undefined);
          expect(new Set(taken).size).toBe(taken.length);
        }
        for (let team = 0; team < teams; team++) {
          const own = table.map((round) => round[team]);
          expect(new Set(own.filter((at) => at !== undefined)).size).toBe(stations.length);
          const before = own.slice(
            0,
            own.findIndex((at) => at !== undefined && at < courses),
          );
          if (courses > 0) expect(new Set(before.filter((at) => at !== undefined)).size).toBe(exercises);
        }
      }),
    );
  });

  it('splits people into teams that differ by one at most, listed neighbours together', () => {
    expect(teamsOf(7, 3)).toEqual([
      [0, 1, 2],
      [3, 4],
      [5, 6],
    ]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), few, (members, teams) => {
        const sizes = teamsOf(members, teams).map(({ length }) => length);
        expect(sizes.reduce((sum, size) => sum + size, 0)).toBe(members);
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('gives everybody of a team as many runs, and nobody two more while another waits', () => {
    fc.assert(
      fc.property(few, few, few, (people, cars, runsEach) => {
        const done = Array.from({ length: people }, () => 0);
        for (const { drives, waits } of sharedRuns(people, cars, runsEach)) {
          expect([...drives, ...waits].sort()).toEqual(done.map((_, who) => who));
          for (const who of drives) done[who]! += 1;
          expect(Math.max(...done) - Math.min(...done)).toBeLessThanOrEqual(1);
        }
        expect(new Set(done)).toEqual(new Set([runsEach]));
      }),
    );
  });

  it('three people share two cars: the third drives while one of the others waits', () => {
    expect(sharedRuns(3, 2, 2)).toEqual([
      { drives: [0, 1], waits: [2] },
      { drives: [2, 0], waits: [1] },
      { drives: [1, 2], waits: [0] },
    ]);
  });
});

describe('Spotters', () => {
  it('have a station each, share neighbours where they are few, and leave none out', () => {
    expect(spottersOf(3, 3)).toEqual([0, 1, 2]);
    expect(spottersOf(3, 2)).toEqual([0, 0, 1]);
    expect(spottersOf(4, 2)).toEqual([0, 0, 1, 1]);
    expect(spottersOf(2, 5)).toEqual([0, 1]);
    expect(spottersOf(2, 0)).toEqual([undefined, undefined]);
  });
});

describe('The run that a team is in', () => {
  it('is the first that somebody has still to drive', () => {
    // Three people share two cars, two runs each: 0 and 1, 2 and 0, 1 and 2.
    const runs = sharedRuns(3, 2, 2);
    expect(runNow(runs, [0, 0, 0])!.drives).toEqual([0, 1]);
    expect(runNow(runs, [1, 1, 0])!.drives).toEqual([2, 0]);
    expect(runNow(runs, [2, 1, 1])!.drives).toEqual([1, 2]);
    expect(runNow(runs, [2, 2, 2])).toBeUndefined();
  });

  it('goes on by one with each round of runs, whatever the numbers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 3 }),
        (people, cars, each) => {
          const runs = sharedRuns(people, cars, each);
          const done = Array.from({ length: people }, () => 0);
          for (const run of runs) {
            expect(runNow(runs, done)).toBe(run);
            for (const who of run.drives) done[who]! += 1;
          }
          expect(runNow(runs, done)).toBeUndefined();
        },
      ),
    );
  });
});
