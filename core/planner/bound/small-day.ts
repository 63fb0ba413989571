import { LONG_WAIT_MIN } from '../../cost';
import type { Problem } from '../place/problem';
import { choicesOf, needsOf, runHoldS, type Choice, type GuestNeeds } from './needs';
import { Program, type SolveProgram, type Term } from './program';

/** Up to so many drives the program is solved in seconds. */
export const SMALL_DAY = 8;

/**
 * Below the cost of every plan with all drives in it, for a day of a few drives, by a mixed integer program: starts are
 * continuous; who goes before whom, who teaches whom and in which car, who sits in which class and run, and which of a
 * guest's drives follows which are yes or no. Fuel, cooling, rests, meals, closures, cars at once, passes and the wishes of
 * friends are left out, and vehicles beyond the first are not told apart: where none of these matters the cost is that of
 * the best plan.
 *
 * @returns nothing for other days, and where the program was not solved in time
 */
export function leastCostOfSmallDay(problem: Problem, solve: SolveProgram, limitS: number): number | undefined {
  const { drives } = problem;
  const choices = choicesOf(problem);
  const possible = new Set(choices.map(({ drive }) => drive));
  if (drives.length === 0 || drives.length > SMALL_DAY || possible.size < drives.length) return undefined;
  if (drives.some(({ drive }) => drive.pin)) return undefined;
  // Where a drive or run may take longer at another time or in another vehicle, what lies between is not known either.
  if (problem.conditions.length > 1 || new Set(problem.vehicles.map(({ trackS }) => trackS[0])).size > 1)
    return undefined;
  return solve(new SmallDay(problem, choices).program.text(), limitS);
}

/** Something that somebody of the crew does from a start on. */
interface Activity {
  /** Stands in the names of its variables: its start `s`, that it takes place `u`, its instructor `y`. */
  readonly name: string;
  readonly length: { readonly minutes: number; readonly more: readonly Term[] };
  readonly crew: readonly number[];
  /** From the start to the release, minutes; nothing in the classroom. */
  readonly setUpMin: number | undefined;
  /** A class or run that may not be needed. */
  readonly isSpare: boolean;
}

interface DriveActivity extends Activity {
  readonly drive: number;
  readonly guest: number;
  readonly choices: readonly Choice[];
}

/**
 * Further names: of drive `b` waiting before it `m` and what that counts `w`, first of its guest `f`, another instructor than
 * before `z`, its car `x`; of guest `g` in class or run `k` the seat `x`; two activities: the one first `o`, the same
 * instructor `e`; drive `a` just before `b` for the same guest `p`; an instructor's distance from the share `b`, a guest's
 * end `e`, minutes of a party apart `q`.
 */
class SmallDay {
  readonly program = new Program('Minimize');
  private readonly needs: readonly GuestNeeds[];
  private readonly drives: readonly DriveActivity[];
  private readonly classes: readonly Activity[];
  private readonly runs: readonly Activity[];
  /** Times count from the first arrival; none of a best plan is later than everything one after the other, minutes. */
  private readonly originS: number;
  private readonly horizonMin: number;
  /** How long a class (c) or a run (r) holds those in it, minutes. */
  private readonly sharedMin: Readonly<Record<'c' | 'r', number>>;

  constructor(
    private readonly problem: Problem,
    choices: readonly Choice[],
  ) {
    const { day, crew } = problem;
    this.needs = needsOf(problem).filter(({ guest }) => choices.some((choice) => choice.needs.guest === guest));
    this.drives = problem.drives.map((_, drive) => this.driveActivity(drive, choices));
    const able = (what: 'brief' | 'sighting') => crew.flatMap(({ instructor }, who) => (instructor[what] ? [who] : []));
    this.sharedMin = { c: day.rules.briefing.durationS / 60, r: runHoldS(problem) / 60 };
    const slots = (kind: 'c' | 'r', who: readonly number[], setUpMin: number | undefined) =>
      this.newcomers(kind).map((_, k): Activity => ({
        ...{ name: `${kind}${k}`, crew: who, setUpMin, isSpare: true },
        length: { minutes: this.sharedMin[kind], more: [] },
      }));
    this.classes = slots('c', able('brief'), undefined);
    this.runs = slots('r', able('sighting'), day.rules.sighting.setUpS / 60);
    this.originS = Math.min(...this.needs.map(({ guest }) => problem.guests[guest]!.arrivesS));
    const { turn, rest, gap } = this.minutes;
    const readyMin = Math.max(...choices.map(({ needs }) => this.minutesOf(needs.driveFromS)));
    const longest = (own: Activity) => own.length.minutes + Math.max(0, ...own.length.more.map(([minutes]) => minutes));
    this.horizonMin = Math.ceil(
      this.all().reduce((sum, activity) => sum + longest(activity) + turn + rest + gap, readyMin),
    );
    this.activities();
    this.seats('c', this.classes, day.rules.briefing.seats);
    this.seats('r', this.runs, Math.max(0, ...problem.vehicles.map(({ vehicle }) => vehicle.seats)));
    this.inOrder();
    for (const drive of this.drives) {
      this.oneCar(drive);
      this.drive(drive);
    }
    this.needs.forEach(({ guest }) => this.newcomer(guest));
    this.balance();
    this.parties();
  }

  private get minutes() {
    const { releaseGapS, guestRestS, turnaroundS } = this.problem.day.rules;
    return { gap: releaseGapS / 60, rest: guestRestS / 60, turn: turnaroundS / 60 };
  }

  private minutesOf(timeS: number): number {
    return (timeS - this.originS) / 60;
  }

  private all(): Activity[] {
    return [...this.classes, ...this.runs, ...this.drives];
  }

  /** Guests who need a class (c) or a sighting run (r), in order of when they can be there. */
  private newcomers(kind: 'c' | 'r'): readonly GuestNeeds[] {
    const { guests } = this.problem;
    return this.needs
      .filter(({ guest }) => (kind === 'c' ? guests[guest]!.needsBriefing : guests[guest]!.needsSighting))
      .sort((a, b) => a.classFromS - b.classFromS);
  }

  private driveActivity(drive: number, all: readonly Choice[]): DriveActivity {
    const choices = all.filter((choice) => choice.drive === drive);
    const shortest = Math.min(...choices.map(({ holdS }) => holdS)) / 60;
    return {
      name: `d${drive}`,
      length: {
        minutes: shortest,
        more: choices.flatMap(({ holdS, option }): Term[] =>
          holdS / 60 > shortest ? [[holdS / 60 - shortest, this.inCar(drive, option.car)]] : [],
        ),
      },
      crew: [...new Set(choices.flatMap(({ option }) => option.crew))],
      setUpMin: this.problem.day.rules.setUpS / 60,
      isSpare: false,
      ...{ drive, choices, guest: choices[0]!.needs.guest },
    };
  }

  private inCar(drive: number, car: number): string {
    return this.program.binary(`x${drive}_${car}`);
  }

  /** 1 where `a` is before `b`: as a factor of the variable of the two, and what is left of 1. */
  private before(a: Activity, b: Activity): { readonly factor: number; readonly name: string; readonly rest: number } {
    return a.name < b.name
      ? { factor: 1, name: this.program.binary(`o${a.name}_${b.name}`), rest: 0 }
      : { factor: -1, name: this.program.binary(`o${b.name}_${a.name}`), rest: 1 };
  }

  /** A row that need not hold where any of these is 0, each by so much at most. */
  private unless(terms: readonly Term[], least: number, conditions: readonly string[], most = this.horizonMin): void {
    this.program.row(
      [...terms, ...conditions.map((name): Term => [-most, name])],
      '>=',
      least - most * conditions.length,
    );
  }

  /** One variable is larger than another by so much, where all of these are 1. */
  private atLeast(larger: string, smaller: string, by = 0, conditions: readonly string[] = []): void {
    this.unless(
      [
        [1, larger],
        [-1, smaller],
      ],
      by,
      conditions,
    );
  }

  /** `second` starts so long after the start of `first`, and the length of it, where `first` is before it and all of these are 1. */
  private follows(
    first: Activity,
    second: Activity,
    least: { readonly minutes: number; readonly withLength: boolean },
    conditions: readonly string[] = [],
  ): void {
    const M = this.horizonMin;
    const { factor, name, rest } = this.before(first, second);
    const { minutes, more } = least.withLength ? first.length : { minutes: 0, more: [] };
    this.unless(
      [
        [1, `s${second.name}`],
        [-1, `s${first.name}`],
        ...more.map(([factorOf, variable]): Term => [-factorOf, variable]),
        [-M * factor, name],
      ],
      minutes + least.minutes - M + M * rest,
      conditions,
    );
  }

  /** Who does it and when; what two of them keep each other from. */
  private activities(): void {
    const { program } = this;
    const { gap, rest, turn } = this.minutes;
    const activities = this.all();
    for (const { name, crew, isSpare } of activities) {
      program.row([[1, `s${name}`]], '<=', this.horizonMin);
      const who = crew.map((one): Term => [1, program.binary(`y${name}_${one}`)]);
      if (isSpare) program.row([...who, [-1, program.binary(`u${name}`)]], '=', 0);
      else program.row(who, '=', 1);
    }
    for (const [i, a] of activities.entries()) {
      for (const b of activities.slice(i + 1)) {
        const shared = a.crew.filter((who) => b.crew.includes(who));
        const same = `e${a.name}_${b.name}`;
        for (const who of shared)
          program.row(
            [
              [1, program.binary(same)],
              [-1, `y${a.name}_${who}`],
              [-1, `y${b.name}_${who}`],
            ],
            '>=',
            -1,
          );
        for (const [first, second] of [
          [a, b],
          [b, a],
        ] as const) {
          if (shared.length > 0) this.follows(first, second, { minutes: 0, withLength: true }, [same]);
          if (first.setUpMin === undefined || second.setUpMin === undefined) continue;
          const used = [first, second].flatMap(({ isSpare, name }) => (isSpare ? [`u${name}`] : []));
          this.follows(first, second, { minutes: gap + first.setUpMin - second.setUpMin, withLength: false }, used);
        }
      }
    }
    for (const a of this.drives) {
      for (const b of this.drives) {
        if (a === b) continue;
        if (a.guest === b.guest) this.follows(a, b, { minutes: rest, withLength: true });
        for (const { option } of a.choices.filter((one) =>
          b.choices.some((two) => one.option.car === two.option.car),
        )) {
          const both = [a, b].flatMap(({ drive, choices }) =>
            choices.length > 1 ? [this.inCar(drive, option.car)] : [],
          );
          this.follows(a, b, { minutes: turn, withLength: true }, both);
        }
      }
    }
  }

  /** Each newcomer has a seat in one of the classes or runs, which holds no more than it has. */
  private seats(kind: 'c' | 'r', slots: readonly Activity[], seats: number): void {
    const { program, problem } = this;
    const own = this.newcomers(kind);
    const seat = (guest: number, { name }: Activity) => program.binary(`x${guest}_${name}`);
    for (const needs of own) {
      program.row(
        slots.map((slot): Term => [1, seat(needs.guest, slot)]),
        '=',
        1,
      );
      const fromMin = this.minutesOf(kind === 'c' ? needs.classFromS : needs.runFromS);
      program.row([[1, `t${kind}${needs.guest}`]], '>=', fromMin);
      for (const slot of slots) {
        const x = seat(needs.guest, slot);
        this.atLeast(`s${slot.name}`, `t${kind}${needs.guest}`, 0, [x]);
        this.atLeast(`t${kind}${needs.guest}`, `s${slot.name}`, 0, [x]);
        this.atLeast(`u${slot.name}`, x);
        for (const who of slot.crew)
          if (problem.guests[needs.guest]!.mayHave[who] === 0)
            program.row(
              [
                [1, x],
                [1, `y${slot.name}_${who}`],
              ],
              '<=',
              1,
            );
      }
    }
    for (const slot of slots) {
      const taken = own.map(({ guest }): Term => [1, seat(guest, slot)]);
      program.row([...taken, [-seats, `u${slot.name}`]], '<=', 0);
      program.row([...taken, [-1, `u${slot.name}`]], '>=', 0);
    }
  }

  /** Classes and runs are all alike, so they are numbered as they begin; what there is only one of does one after the other. */
  private inOrder(): void {
    const { program, problem } = this;
    const alone = { c: problem.day.rules.briefing.rooms === 1, r: problem.vehicles.length === 1 };
    for (const [kind, slots] of [
      ['c', this.classes],
      ['r', this.runs],
    ] as const) {
      for (const [k, slot] of slots.slice(1).entries()) {
        const before = slots[k]!;
        this.atLeast(`u${before.name}`, `u${slot.name}`);
        const apart = alone[kind] ? slot.length.minutes : 0;
        this.atLeast(`s${slot.name}`, `s${before.name}`, apart, [`u${slot.name}`]);
        const { factor, name, rest } = this.before(before, slot);
        program.row([[factor, name]], '=', 1 - rest);
      }
    }
  }

  /** What a wait comes to: each minute, and three times beyond the longest that is borne well. */
  private waits(name: string): void {
    const { program } = this;
    this.atLeast(`w${name}`, `m${name}`);
    program.row(
      [
        [1, `w${name}`],
        [-3, `m${name}`],
      ],
      '>=',
      -2 * LONG_WAIT_MIN,
    );
    program.counts(this.problem.weights.waiting, `w${name}`);
  }

  /** A drive that may be in several cars is in one of them, with somebody who teaches in it. */
  private oneCar({ name, drive, choices, crew }: DriveActivity): void {
    if (choices.length === 1) return;
    const { program } = this;
    program.row(
      choices.map(({ option }): Term => [1, this.inCar(drive, option.car)]),
      '=',
      1,
    );
    for (const who of crew) {
      const taught = choices.filter(({ option }) => option.crew.includes(who));
      if (taught.length < choices.length)
        program.row(
          [...taught.map(({ option }): Term => [1, this.inCar(drive, option.car)]), [-1, `y${name}_${who}`]],
          '>=',
          0,
        );
    }
  }

  private drive(own: DriveActivity): void {
    const { program, problem } = this;
    const { weights, guests } = problem;
    const { rest } = this.minutes;
    const { name, drive, choices, crew } = own;
    const guest = guests[own.guest]!;
    program.row([[1, `s${name}`]], '>=', this.minutesOf(choices[0]!.needs.driveFromS));
    const others = this.drives.filter((other) => other !== own && other.guest === own.guest);
    const after = (first: DriveActivity, second: DriveActivity) => program.binary(`p${first.drive}_${second.drive}`);
    program.row([[1, program.binary(`f${drive}`)], ...others.map((a): Term => [1, after(a, own)])], '=', 1);
    program.row(
      others.map((c): Term => [1, after(own, c)]),
      '<=',
      1,
    );
    // Waiting from the end of what the guest did before, or from the arrival.
    const start: Term[] = [
      [1, `m${name}`],
      [-1, `s${name}`],
    ];
    const last = guest.needsSighting ? ('r' as const) : guest.needsBriefing ? ('c' as const) : undefined;
    if (last) {
      this.atLeast(`s${name}`, `t${last}${own.guest}`, this.sharedMin[last] + rest);
      this.unless([...start, [1, `t${last}${own.guest}`]], -this.sharedMin[last] - rest, [`f${drive}`]);
    } else this.unless(start, -this.minutesOf(guest.arrivesS), [`f${drive}`]);
    for (const a of others) {
      this.unless([...start, [1, `s${a.name}`], ...a.length.more], -a.length.minutes - rest, [after(a, own)]);
      const { factor, name: first, rest: other } = this.before(a, own);
      program.row(
        [
          [1, after(a, own)],
          [-factor, first],
        ],
        '<=',
        other,
      );
      for (const who of new Set([...a.crew, ...crew]))
        program.row(
          [
            [1, `z${name}`],
            ...(a.crew.includes(who) ? [[-1, `y${a.name}_${who}`] as const] : []),
            ...(crew.includes(who) ? [[1, `y${name}_${who}`] as const] : []),
            [-1, after(a, own)],
          ],
          '>=',
          -1,
        );
      this.ladder(a, own, after(a, own));
      const isLater = problem.drives[a.drive]!.place > problem.drives[drive]!.place;
      if (guest.guest.sequence === 'asListed' && isLater) program.row([[factor, first]], '=', -other);
    }
    this.waits(name);
    program.counts(weights.continuity, `z${name}`);
    for (const who of crew) if (guest.likes[who] === 0) program.counts(weights.preference, `y${name}_${who}`);
  }

  /** What a guest waits before class and run. */
  private newcomer(guest: number): void {
    const { program } = this;
    const { arrivesS, needsBriefing, needsSighting } = this.problem.guests[guest]!;
    const { rest } = this.minutes;
    const arrivesMin = this.minutesOf(arrivesS);
    if (needsBriefing) {
      this.atLeast(`mc${guest}`, `tc${guest}`, -arrivesMin);
      this.waits(`c${guest}`);
    }
    if (!needsSighting) return;
    if (needsBriefing) {
      this.atLeast(`tr${guest}`, `tc${guest}`, this.sharedMin.c + rest);
      program.row(
        [
          [1, `mr${guest}`],
          [-1, `tr${guest}`],
          [1, `tc${guest}`],
        ],
        '>=',
        -this.sharedMin.c - rest,
      );
    } else this.atLeast(`mr${guest}`, `tr${guest}`, -arrivesMin);
    this.waits(`r${guest}`);
  }

  /** A step down to a tamer car, in those cars in which the two drives are. */
  private ladder(a: DriveActivity, b: DriveActivity, follows: string): void {
    const { program, problem } = this;
    const level = ({ option }: Choice) => problem.cars[option.car]!.car.level;
    const down = `l${a.drive}_${b.drive}`;
    for (const from of a.choices) {
      for (const to of b.choices) {
        if (level(to) >= level(from)) continue;
        const inCars = [
          ...(a.choices.length > 1 ? [this.inCar(a.drive, from.option.car)] : []),
          ...(b.choices.length > 1 ? [this.inCar(b.drive, to.option.car)] : []),
        ];
        this.unless([[1, down]], 1, [follows, ...inCars], 1);
      }
    }
    program.counts(problem.weights.ladder, down);
  }

  private balance(): void {
    const { program, problem, drives } = this;
    const available = problem.crew.reduce((sum, { availableS }) => sum + availableS, 0);
    const M = this.horizonMin;
    // What drives that may be in several cars come to with each instructor.
    for (const { name, length, crew } of drives) {
      if (length.more.length === 0) continue;
      program.row(
        [...crew.map((who): Term => [1, `h${name}_${who}`]), ...length.more.map(([f, x]): Term => [-f, x])],
        '=',
        length.minutes,
      );
      for (const who of crew)
        program.row(
          [
            [1, `h${name}_${who}`],
            [-M, `y${name}_${who}`],
          ],
          '<=',
          0,
        );
    }
    const spare = [...this.classes, ...this.runs];
    const fixedMin = drives.reduce((sum, { length }) => sum + length.minutes, 0);
    const more: Term[] = [
      ...drives.flatMap(({ length }) => length.more),
      ...spare.map(({ name, length }): Term => [length.minutes, `u${name}`]),
    ];
    for (const [who, { availableS }] of problem.crew.entries()) {
      const share = available === 0 ? 0 : availableS / available;
      const held: Term[] = [
        ...this.all().flatMap(({ name, length, crew }): Term[] => {
          if (!crew.includes(who)) return [];
          return [length.more.length > 0 ? [1, `h${name}_${who}`] : [length.minutes, `y${name}_${who}`]];
        }),
        ...more.map(([factor, name]): Term => [-share * factor, name]),
      ];
      program.row([[1, `b${who}`], ...held.map(([factor, name]): Term => [-factor, name])], '>=', -share * fixedMin);
      program.row([[1, `b${who}`], ...held], '>=', share * fixedMin);
      program.counts(problem.weights.balance, `b${who}`);
    }
  }

  private parties(): void {
    const { program, drives, problem } = this;
    const M = this.horizonMin;
    for (const { name, length, guest, drive } of drives) {
      const followers = drives.flatMap((other) =>
        other.drive !== drive && other.guest === guest ? [`p${drive}_${other.drive}`] : [],
      );
      const end: Term[] = [
        [1, `e${guest}`],
        [-1, `s${name}`],
        ...length.more.map(([factor, variable]): Term => [-factor, variable]),
      ];
      program.row(end, '>=', length.minutes);
      program.row([...end, ...followers.map((follower): Term => [-M, follower])], '<=', length.minutes);
    }
    const driving = new Set(drives.map(({ guest }) => guest));
    for (const [number, members] of problem.parties.entries()) {
      const there = members.filter((guest) => driving.has(guest));
      if (there.length < 2) continue;
      for (const one of there) {
        for (const other of there)
          if (one !== other)
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
      program.counts(problem.weights.party, `q${number}`);
    }
  }
}
