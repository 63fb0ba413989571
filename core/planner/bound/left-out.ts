import type { Instructor } from '../../day';
import { owedMeal } from '../../rules';
import type { Problem } from '../place/problem';
import { choicesOf, needsOf, runHoldS, runTrackS, type Choice } from './needs';
import { Program, type SolveProgram } from './program';

/** What a day may be short of. */
export type Scarce = 'circuit' | 'crew' | 'briefers' | 'cars';
export const SCARCE: readonly Scarce[] = ['circuit', 'crew', 'briefers', 'cars'];

/** Most moments for which the time that is left of the day is added up. */
const MOST_MOMENTS = 40;

/**
 * The fewest drives that any plan must leave out, by an integer program that keeps only what adds up and what every valid
 * plan therefore satisfies, from each moment on at which guests can be ready:
 * - of each car, the time with turnarounds, the refuels that the laps need, and the cooling rests;
 * - of the crew, the time less meals and the rests that `maxSeatS` asks for, for drives, sighting runs and classes; for those
 *   who may teach only with some of them, the time of these;
 * - of the circuit, releases and cars at once, with the sighting runs that guests need who drive at all;
 * - of a guest, the stay.
 *
 * Where the program is not solved in time its relaxation is, which bounds as well, only less tightly.
 *
 * @param scarce only these are counted as scarce, to tell what it is that keeps drives out
 */
export function fewestLeftOut(
  problem: Problem,
  solve: SolveProgram,
  limitS: number,
  scarce: readonly Scarce[] = SCARCE,
): number {
  const choices = choicesOf(problem);
  if (choices.length === 0) return problem.drives.length;
  const program = programOf(problem, choices, new Set(scarce));
  const most = solve(program.text(), limitS) ?? solve(program.text(false), limitS);
  return most === undefined ? 0 : Math.max(0, problem.drives.length - Math.floor(most + 1e-6));
}

function programOf(problem: Problem, choices: readonly Choice[], scarce: ReadonlySet<Scarce>): Program {
  const program = new Program('Maximize');
  const named = choices.map((choice, i) => ({ choice, x: program.binary(`x${i}`) }));
  for (const { x } of named) program.counts(1, x);
  for (const drive of new Set(choices.map((choice) => choice.drive))) {
    const own = named.filter(({ choice }) => choice.drive === drive);
    program.row(
      own.map(({ x }) => [1, x]),
      '<=',
      1,
    );
  }
  const rows = new Rows(problem, program, named);
  rows.shared();
  rows.stays();
  if (scarce.has('cars')) rows.cars();
  if (scarce.has('circuit')) rows.circuit();
  if (scarce.has('crew')) rows.crew();
  if (scarce.has('briefers')) rows.briefers();
  return program;
}

interface Named {
  readonly choice: Choice;
  readonly x: string;
}

/** The rows of one program: what of the day each kind of thing allows. */
class Rows {
  private readonly moments: readonly number[];

  constructor(
    private readonly problem: Problem,
    private readonly program: Program,
    private readonly named: readonly Named[],
  ) {
    this.moments = momentsOf(named.map(({ choice }) => choice));
  }

  /**
   * Guests who drive have a seat in a run and in a class that begins when they can be there; runs and classes are counted by
   * the stretch between two moments in which they begin.
   */
  shared(): void {
    const { program, problem, named, moments } = this;
    const needs = needsOf(problem);
    const driving = new Set(named.map(({ choice }) => choice.needs.guest));
    for (const { choice, x } of named) {
      program.row(
        [
          [1, program.binary(`u${choice.needs.guest}`)],
          [-1, x],
        ],
        '>=',
        0,
      );
    }
    const seats = {
      r: Math.max(0, ...problem.vehicles.map(({ vehicle }) => vehicle.seats)),
      b: this.rules.briefing.seats,
    };
    for (const kind of ['r', 'b'] as const) {
      const own = needs.filter(
        ({ guest }) => driving.has(guest) && problem.guests[guest]![kind === 'r' ? 'needsSighting' : 'needsBriefing'],
      );
      const fromS = (guest: (typeof own)[number]) => (kind === 'r' ? guest.runFromS : guest.classFromS);
      for (const [at, moment] of moments.entries()) {
        const later = own.filter((guest) => fromS(guest) >= moment);
        program.row(
          [
            ...this.from(at, kind).map((name): [number, string] => [seats[kind], name]),
            ...later.map(({ guest }): [number, string] => [-1, `u${guest}`]),
          ],
          '>=',
          0,
        );
      }
    }
  }

  private get rules() {
    return this.problem.day.rules;
  }

  /** Runs (r) or classes (b) that begin at this moment or later. */
  private from(at: number, kind: 'r' | 'b'): string[] {
    return this.moments.slice(at).map((_, later) => this.program.integer(`${kind}${at + later}`));
  }

  private later(momentS: number, factor: (choice: Choice) => number): [number, string][] {
    return this.named.flatMap(({ choice, x }): [number, string][] =>
      choice.needs.driveFromS >= momentS ? [[factor(choice), x]] : [],
    );
  }

  stays(): void {
    const { guestRestS } = this.rules;
    for (const needs of needsOf(this.problem)) {
      const own = this.named.filter(({ choice }) => choice.needs.guest === needs.guest);
      if (own.length < 2) continue;
      const roomS = needs.toS - needs.driveFromS + guestRestS;
      this.program.row(
        own.map(({ choice, x }) => [choice.holdS + guestRestS, x]),
        '<=',
        roomS,
      );
    }
  }

  circuit(): void {
    const { problem, program } = this;
    const { day } = problem;
    const { setUpS, wrapUpS, maxCarsOnTrack, releaseGapS, sighting } = this.rules;
    const trackS = runTrackS(problem);
    const lastS = day.closes - Math.min(wrapUpS, problem.vehicles.length > 0 ? sighting.wrapUpS : wrapUpS);
    for (const [at, moment] of this.moments.entries()) {
      const firstS = moment + Math.min(setUpS, problem.vehicles.length > 0 ? sighting.setUpS : setUpS);
      const openS = day.circuit.closures.reduce(
        (left, { from, to }) => left - Math.max(0, Math.min(to, lastS) - Math.max(from, firstS)),
        lastS - firstS,
      );
      const runs = this.from(at, 'r');
      program.row(
        [...this.later(moment, (choice) => choice.trackS), ...runs.map((run): [number, string] => [trackS, run])],
        '<=',
        Math.max(0, openS) * maxCarsOnTrack,
      );
      if (releaseGapS > 0) {
        program.row(
          [...this.later(moment, () => 1), ...runs.map((run): [number, string] => [1, run])],
          '<=',
          Math.floor(Math.max(0, openS) / releaseGapS) + 1,
        );
      }
    }
  }

  crew(): void {
    const { problem, program } = this;
    const all = problem.crew.map(({ instructor }) => instructor);
    const sets = new Map<string, Set<number>>();
    for (const { choice } of this.named) sets.set(choice.option.crew.join(), new Set(choice.option.crew));
    for (const [at, moment] of this.moments.entries()) {
      program.row(
        [
          ...this.later(moment, (choice) => choice.holdS),
          ...this.from(at, 'r').map((run): [number, string] => [runHoldS(problem), run]),
          ...this.from(at, 'b').map((held): [number, string] => [this.rules.briefing.durationS, held]),
        ],
        '<=',
        all.reduce((sum, who) => sum + mostWorkS(problem, who, moment), 0),
      );
      for (const who of sets.values()) {
        if (who.size === all.length) continue;
        program.row(
          this.later(moment, (choice) => (choice.option.crew.every((other) => who.has(other)) ? choice.holdS : 0)),
          '<=',
          [...who].reduce((sum, other) => sum + mostWorkS(problem, all[other]!, moment), 0),
        );
      }
    }
  }

  briefers(): void {
    const { problem, program } = this;
    const { durationS, rooms } = this.rules.briefing;
    const briefers = problem.crew.filter(({ instructor }) => instructor.brief).map(({ instructor }) => instructor);
    const drivers = problem.crew.filter(({ instructor }) => instructor.sighting).map(({ instructor }) => instructor);
    const work = (who: readonly Instructor[], fromS: number) =>
      who.reduce((sum, other) => sum + mostWorkS(problem, other, fromS), 0);
    for (const [at, moment] of this.moments.entries()) {
      const classes = this.from(at, 'b').map((held): [number, string] => [durationS, held]);
      const runs = this.from(at, 'r').map((run): [number, string] => [runHoldS(problem), run]);
      program.row(classes, '<=', Math.min(work(briefers, moment), rooms * (problem.day.closes - moment)));
      program.row(runs, '<=', Math.min(work(drivers, moment), problem.vehicles.length * (problem.day.closes - moment)));
    }
  }

  cars(): void {
    const { problem, program, named } = this;
    const { day } = problem;
    const { turnaroundS } = this.rules;
    for (const [number, { car }] of problem.cars.entries()) {
      const own = named.filter(({ choice }) => choice.option.car === number);
      if (own.length === 0) continue;
      const time = (fromS: number) =>
        own
          .filter(({ choice }) => choice.needs.driveFromS >= fromS)
          .map(({ choice, x }): [number, string] => [choice.holdS + turnaroundS, x]);
      // The last turnaround may run past closing.
      const room = (fromS: number) => day.closes + turnaroundS - fromS;
      const starts = [...new Set(own.map(({ choice }) => choice.needs.driveFromS))];
      for (const fromS of starts) program.row(time(fromS), '<=', room(fromS));
      const firstS = Math.min(...starts);
      const { fuel, cooling } = car;
      const [refuels, rests] = [program.integer(`f${number}`), program.integer(`k${number}`)];
      const each = (factor: (choice: Choice) => number) =>
        own.map(({ choice, x }): [number, string] => [factor(choice), x]);
      program.row(
        [...each(({ laps }) => laps * fuel.perLapL), [-(fuel.capacityL - fuel.reserveL), refuels]],
        '<=',
        Math.max(fuel.startL, ...problem.cars[number]!.readings.map(({ litres }) => litres)) - fuel.reserveL,
      );
      // A refuel before the first drive is possible, so it counts from opening on.
      const beforeS = Math.max(0, firstS - Math.max(day.opens, problem.nowS));
      program.row([...time(firstS), [fuel.refuelS, refuels]], '<=', room(firstS) + beforeS);
      program.row([...each(({ laps }) => laps), [-cooling.afterLaps, rests]], '<=', cooling.afterLaps);
      program.row([...time(firstS), [Math.max(0, cooling.restS - turnaroundS), rests]], '<=', room(firstS));
    }
  }
}

/** Moments at which guests can be ready, no more than there may be of them. */
function momentsOf(choices: readonly Choice[]): number[] {
  const all = [...new Set(choices.flatMap(({ needs }) => [needs.classFromS, needs.runFromS, needs.driveFromS]))].sort(
    (a, b) => a - b,
  );
  const step = Math.max(1, all.length / MOST_MOMENTS);
  return [...new Set(Array.from({ length: Math.ceil(all.length / step) }, (_, i) => all[Math.floor(i * step)]!))];
}

/** The most that an instructor can work from a time on, coming to it rested. */
function mostWorkS(problem: Problem, instructor: Instructor, fromS: number): number {
  const { maxSeatS, restS, meal } = instructor;
  const windows = problem.index.windows(instructor);
  const { closes } = problem.day;
  const windowS = windows.reduce(
    (own, { from, to }) => own + Math.max(0, Math.min(to, closes) - Math.max(from, fromS)),
    0,
  );
  const wholeMeal = fromS <= meal.from && owedMeal(instructor, windows);
  const presentS = wholeMeal ? windowS - meal.durationS : windowS;
  if (maxSeatS + restS <= 0) return 0;
  const rounds = Math.floor(presentS / (maxSeatS + restS));
  // A meal is a rest as well, so one rest may be saved by it, as by each gap between two windows.
  const work = rounds * maxSeatS + Math.min(presentS - rounds * (maxSeatS + restS), maxSeatS);
  return Math.min(presentS, work + (windows.length - 1 + (wholeMeal ? 1 : 0)) * restS);
}
