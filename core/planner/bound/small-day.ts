import { LONG_WAIT_MIN } from '../../day/cost/waiting';
import type { Problem } from '../engine/problem';
import { choicesOf, type Choice } from './needs';
import { Program, type SolveProgram } from './program';

/** Up to so many drives the program is solved in seconds. */
export const SMALL_DAY = 8;

/**
 * Below the cost of every plan with all drives in it, for a day of a few drives with one car each, by a mixed integer
 * program: starts are continuous, who goes before whom, who teaches whom and which of a guest's drives follows which are
 * yes or no. Fuel, cooling, rests, meals, cars at once and passes are left out, and class and sighting run only keep a
 * guest from driving before they can be done: where none of these matters the cost is that of the best plan.
 *
 * @returns nothing for other days, and where the program was not solved in time
 */
export function leastCostOfSmallDay(problem: Problem, solve: SolveProgram, limitS: number): number | undefined {
  const choices = choicesOf(problem);
  const oneCarEach = problem.drives.every(({ options }) => options.length === 1);
  if (problem.drives.length === 0 || problem.drives.length > SMALL_DAY || !oneCarEach) return undefined;
  if (choices.length < problem.drives.length || problem.drives.some(({ drive }) => drive.pin)) return undefined;
  return solve(new SmallDay(problem, choices).program.text(), limitS);
}

/**
 * Names: of drive `b` its start `s`, waiting before it `m` and what that counts `w`, first of its guest `f`, instructor `y`,
 * another instructor than before `z`; drive `a` before `b` at all `o`, just before it for the same guest `p`; an
 * instructor's distance from the share `b`, a guest's end `e`, minutes of a party apart `q`.
 */
class SmallDay {
  readonly program = new Program('Minimize');
  private readonly crew: readonly number[];
  private readonly lengthMin: readonly number[];
  /** Times count from the first arrival; none of a best plan is later than all drives one after the other, minutes. */
  private readonly originS: number;
  private readonly horizonMin: number;

  constructor(
    private readonly problem: Problem,
    private readonly choices: readonly Choice[],
  ) {
    this.crew = problem.crew.map((_, who) => who);
    this.lengthMin = choices.map(({ holdS }) => holdS / 60);
    const { turn, rest, gap } = this.minutes;
    this.originS = Math.min(...choices.map(({ needs }) => problem.guests[needs.guest]!.arrivesS));
    const readyMin = (Math.max(...choices.map(({ needs }) => needs.driveFromS)) - this.originS) / 60;
    this.horizonMin = Math.ceil(this.lengthMin.reduce((sum, minutes) => sum + minutes + turn + rest + gap, readyMin));
    this.sequence();
    choices.forEach((_, drive) => this.drive(drive));
    this.balance();
    this.parties();
  }

  private get minutes() {
    const { releaseGapS, guestRestS, turnaroundS } = this.problem.day.rules;
    return { gap: releaseGapS / 60, rest: guestRestS / 60, turn: turnaroundS / 60 };
  }

  private bin(name: string): string {
    return this.program.binary(name);
  }

  /** 1 where `a` is released before `b`: as a factor of the variable of the two, and what is left of 1. */
  private before(a: number, b: number): { readonly factor: number; readonly name: string; readonly rest: number } {
    return a < b
      ? { factor: 1, name: this.bin(`o${a}_${b}`), rest: 0 }
      : { factor: -1, name: this.bin(`o${b}_${a}`), rest: 1 };
  }

  private sequence(): void {
    const { program, choices, crew, lengthMin } = this;
    const { gap, rest, turn } = this.minutes;
    const M = this.horizonMin;
    for (const [a, first] of choices.entries()) {
      for (const [b, second] of choices.entries()) {
        if (a === b) continue;
        let leastMin = gap;
        if (first.option.car === second.option.car) leastMin = Math.max(leastMin, lengthMin[a]! + turn);
        if (first.needs.guest === second.needs.guest) leastMin = Math.max(leastMin, lengthMin[a]! + rest);
        const { factor, name, rest: other } = this.before(a, b);
        // s_b - s_a >= least - M (1 - before)
        const order: [number, string][] = [
          [1, `s${b}`],
          [-1, `s${a}`],
          [-M * factor, name],
        ];
        program.row(order, '>=', leastMin - M + M * other);
        for (const who of crew) {
          program.row(
            [...order, [-M, this.bin(`y${a}_${who}`)], [-M, this.bin(`y${b}_${who}`)]],
            '>=',
            lengthMin[a]! - M + M * other - 2 * M,
          );
        }
      }
    }
  }

  private drive(b: number): void {
    const { program, choices, crew, lengthMin, problem } = this;
    const { weights, guests, cars } = problem;
    const { rest } = this.minutes;
    const M = this.horizonMin;
    const { needs, option, drive } = choices[b]!;
    const guest = guests[needs.guest]!;
    const minutesOf = (timeS: number) => (timeS - this.originS) / 60;
    const fromMin = minutesOf(needs.driveFromS);
    program.row([[1, `s${b}`]], '>=', fromMin);
    program.row([[1, `s${b}`]], '<=', M);
    program.row(
      crew.map((who) => [1, this.bin(`y${b}_${who}`)]),
      '=',
      1,
    );
    for (const who of crew) if (!option.crew.includes(who)) program.row([[1, `y${b}_${who}`]], '=', 0);
    const others = choices.flatMap((other, a) => (a !== b && other.needs.guest === needs.guest ? [a] : []));
    program.row([[1, this.bin(`f${b}`)], ...others.map((a): [number, string] => [1, this.bin(`p${a}_${b}`)])], '=', 1);
    program.row(
      others.map((c) => [1, this.bin(`p${b}_${c}`)]),
      '<=',
      1,
    );
    // Waiting from when the guest is ready, or from the end of the drive before.
    const isNew = guest.needsBriefing || guest.needsSighting;
    const readyMin = isNew ? fromMin : minutesOf(guest.arrivesS);
    program.row(
      [
        [1, `m${b}`],
        [-1, `s${b}`],
        [-M, `f${b}`],
      ],
      '>=',
      -readyMin - M,
    );
    for (const a of others) {
      program.row(
        [
          [1, `m${b}`],
          [-1, `s${b}`],
          [1, `s${a}`],
          [-M, `p${a}_${b}`],
        ],
        '>=',
        -lengthMin[a]! - rest - M,
      );
      const { factor, name, rest: other } = this.before(a, b);
      program.row(
        [
          [1, `p${a}_${b}`],
          [-factor, name],
        ],
        '<=',
        other,
      );
      for (const who of crew) {
        program.row(
          [
            [1, `z${b}`],
            [-1, `y${a}_${who}`],
            [1, `y${b}_${who}`],
            [-1, `p${a}_${b}`],
          ],
          '>=',
          -1,
        );
      }
      const before = choices[a]!;
      if (cars[option.car]!.car.level < cars[before.option.car]!.car.level)
        program.counts(weights.ladder, `p${a}_${b}`);
      const isLater = problem.drives[before.drive]!.place > problem.drives[drive]!.place;
      if (guest.guest.sequence === 'asListed' && isLater) program.row([[factor, name]], '=', -other);
    }
    program.row(
      [
        [1, `w${b}`],
        [-1, `m${b}`],
      ],
      '>=',
      0,
    );
    // The wait of a newcomer may be in several pieces, which count less than one long one.
    if (!isNew) {
      program.row(
        [
          [1, `w${b}`],
          [-3, `m${b}`],
        ],
        '>=',
        -2 * LONG_WAIT_MIN,
      );
    }
    program.counts(weights.waiting, `w${b}`);
    program.counts(weights.continuity, `z${b}`);
    for (const who of crew) if (guest.likes[who] === 0) program.counts(weights.preference, `y${b}_${who}`);
  }

  private balance(): void {
    const { program, crew, lengthMin, problem } = this;
    // Classes and sighting runs hold the crew as well, by how much is not known here.
    if (problem.guests.some(({ needsBriefing, needsSighting }) => needsBriefing || needsSighting)) return;
    const available = problem.crew.reduce((sum, { availableS }) => sum + availableS, 0);
    const totalMin = lengthMin.reduce((sum, minutes) => sum + minutes, 0);
    for (const who of crew) {
      const fairMin = available === 0 ? 0 : (totalMin * problem.crew[who]!.availableS) / available;
      const held = lengthMin.map((minutes, drive): [number, string] => [minutes, `y${drive}_${who}`]);
      program.row(
        [[1, `b${who}`], ...held.map(([minutes, name]): [number, string] => [-minutes, name])],
        '>=',
        -fairMin,
      );
      program.row([[1, `b${who}`], ...held], '>=', fairMin);
      program.counts(problem.weights.balance, `b${who}`);
    }
  }

  private parties(): void {
    const { program, choices, lengthMin, problem } = this;
    const M = this.horizonMin;
    for (const [b, { needs }] of choices.entries()) {
      const { guest } = needs;
      const followers = choices.flatMap((other, c) => (c !== b && other.needs.guest === guest ? [`p${b}_${c}`] : []));
      program.row(
        [
          [1, `e${guest}`],
          [-1, `s${b}`],
        ],
        '>=',
        lengthMin[b]!,
      );
      program.row(
        [[1, `e${guest}`], [-1, `s${b}`], ...followers.map((name): [number, string] => [-M, name])],
        '<=',
        lengthMin[b]!,
      );
    }
    const driving = new Set(choices.map(({ needs }) => needs.guest));
    for (const [number, members] of problem.parties.entries()) {
      const there = members.filter((guest) => driving.has(guest));
      if (there.length < 2) continue;
      for (const one of there) {
        for (const other of there) {
          if (one === other) continue;
          program.row(
            [
              [1, `q${number}`],
              [-1, `e${one}`],
              [1, `e${other}`],
            ],
            '>=',
            0,
          );
        }
      }
      program.counts(problem.weights.party, `q${number}`);
    }
  }
}
