import type { TimeWindow } from '../../values';
import type { Problem } from '../place/problem';
import { choicesOf, type Choice } from './needs';

/** What makes guests wait whatever the plan: each alone, or the room on the circuit, in the cars, with the crew. */
export type WaitsFor = 'hours' | 'circuit' | 'cars' | 'crew';

export interface WaitingBound {
  /** Minutes that all guests together wait at least, if every drive is planned. */
  readonly minutes: number;
  readonly because: WaitsFor;
}

/** Work for one resource: so long, not before, and what it comes to once it is done. */
interface Job {
  readonly fromS: number;
  readonly lengthS: number;
  /** Added to the middle of the work to have the moment at which the guest is done, seconds; see `meanBusy`. */
  readonly tailS: number;
  /** When the guest would be done without waiting for anything. */
  readonly doneS: number;
}

/**
 * The least that guests wait in any plan with every drive in it that can have a place at all: the largest of what each waits alone and of what the
 * circuit, the cars or the crew make them wait.
 *
 * For a resource that can do several things at once, its work is imagined cut up as one likes and done at so many times the
 * speed, the shortest first: the moments at which the halves of the work are done then come earliest (mean busy times;
 * Goemans, Queyranne, Schulz, Skutella and Wang 2002), and no guest is done before that and the rest of the work.
 */
export function leastWaiting(problem: Problem): WaitingBound {
  const choices = choicesOf(problem);
  const ofGuest = problem.guests.map((_, guest) => choices.filter(({ needs }) => needs.guest === guest));
  const alone = problem.guests.reduce((sum, { arrivesS }, guest) => {
    const fromS = Math.max(problem.day.opens, arrivesS);
    return sum + (ofGuest[guest]!.length > 0 ? Math.max(0, fromS - arrivesS) / 60 : 0);
  }, 0);
  const bounds: WaitingBound[] = [
    { minutes: alone, because: 'hours' },
    { minutes: alone + byCircuit(problem, ofGuest), because: 'circuit' },
    { minutes: alone + byCars(problem, ofGuest), because: 'cars' },
    { minutes: alone + byCrew(problem, ofGuest), because: 'crew' },
  ];
  return bounds.reduce((best, bound) => (bound.minutes > best.minutes + 1e-9 ? bound : best));
}

function byCircuit(problem: Problem, ofGuest: readonly (readonly Choice[])[]): number {
  const { setUpS, wrapUpS, guestRestS, maxCarsOnTrack } = problem.day.rules;
  const betweenS = wrapUpS + guestRestS + setUpS;
  const jobs = ofGuest.flatMap((choices): Job[] => {
    const tracks = shortest(choices, ({ trackS }) => trackS);
    return tracks.length === 0 ? [] : [chain(tracks, choices[0]!.needs.driveFromS + setUpS, betweenS)];
  });
  return waitedMin(jobs, maxCarsOnTrack, problem.day.circuit.closures);
}

function byCrew(problem: Problem, ofGuest: readonly (readonly Choice[])[]): number {
  const { guestRestS } = problem.day.rules;
  const jobs = ofGuest.flatMap((choices): Job[] => {
    const holds = shortest(choices, ({ holdS }) => holdS);
    return holds.length === 0 ? [] : [chain(holds, choices[0]!.needs.driveFromS, guestRestS)];
  });
  return waitedMin(jobs, problem.crew.length, []);
}

/** Each guest is counted in one car only: the one that most want, of those that alone can have one of the guest's drives. */
function byCars(problem: Problem, ofGuest: readonly (readonly Choice[])[]): number {
  const { turnaroundS, guestRestS } = problem.day.rules;
  const wanted = problem.cars.map(() => 0);
  const bound = (choice: Choice) => problem.drives[choice.drive]!.options.length === 1;
  for (const choices of ofGuest) for (const { option, holdS } of choices.filter(bound)) wanted[option.car]! += holdS;
  const jobs = problem.cars.map((): Job[] => []);
  for (const choices of ofGuest) {
    const [most] = choices.filter(bound).sort((a, b) => wanted[b.option.car]! - wanted[a.option.car]!);
    if (!most) continue;
    // The guest may have driven everything else before, without waiting.
    const others = shortest(
      choices.filter(({ drive }) => drive !== most.drive),
      ({ holdS }) => holdS + guestRestS,
    ).reduce((sum, lengthS) => sum + lengthS, 0);
    const { driveFromS } = most.needs;
    const lengthS = most.holdS + turnaroundS;
    jobs[most.option.car]!.push({
      fromS: driveFromS,
      lengthS,
      tailS: lengthS / 2 - turnaroundS,
      doneS: driveFromS + most.holdS + others,
    });
  }
  return jobs.reduce((sum, own) => sum + waitedMin(own, 1, []), 0);
}

/** The shortest that each drive takes among its cars. */
function shortest(choices: readonly Choice[], length: (choice: Choice) => number): number[] {
  const least = new Map<number, number>();
  for (const choice of choices) least.set(choice.drive, Math.min(least.get(choice.drive) ?? Infinity, length(choice)));
  return [...least.values()];
}

/** The drives of one guest as one piece of work, with what has to lie between them. */
function chain(lengths: readonly number[], fromS: number, betweenS: number): Job {
  const sum = lengths.reduce((all, lengthS) => all + lengthS, 0);
  // From the middle of each drive to the end of the last; least with the longest last.
  let toEndS = 0;
  let tail = 0;
  for (const lengthS of [...lengths].sort((a, b) => b - a)) {
    tail += lengthS * (toEndS + lengthS / 2);
    toEndS += lengthS + betweenS;
  }
  const alone = sum + betweenS * (lengths.length - 1);
  return { fromS, lengthS: sum, tailS: sum === 0 ? 0 : tail / sum, doneS: fromS + alone };
}

/** Minutes by which all of these are done later than they could be alone; 0 where no more follows. */
function waitedMin(jobs: readonly Job[], speed: number, closed: readonly TimeWindow[]): number {
  if (jobs.length === 0 || speed <= 0) return 0;
  const middles = meanBusy(jobs, speed, closed);
  const lateS = jobs.reduce((sum, { tailS, doneS }, i) => sum + middles[i]! + tailS - doneS, 0);
  return Math.max(0, lateS / 60);
}

/** The mean moment at which each is worked on, where always the shortest of those that have come is, at so many times the speed. */
function meanBusy(jobs: readonly Job[], speed: number, closed: readonly TimeWindow[]): number[] {
  const left = jobs.map(({ lengthS }) => lengthS / speed);
  const weighted = jobs.map(() => 0);
  const events = [
    ...new Set([...jobs.map(({ fromS }) => fromS), ...closed.flatMap(({ from, to }) => [from, to])]),
  ].sort((a, b) => a - b);
  const byLength = jobs.map((_, i) => i).sort((a, b) => jobs[a]!.lengthS - jobs[b]!.lengthS);
  for (const [at, fromS] of events.entries()) {
    const toS = events[at + 1] ?? Infinity;
    if (closed.some(({ from, to }) => from <= fromS && fromS < to)) continue;
    let nowS = fromS;
    for (const i of byLength) {
      if (nowS >= toS) break;
      if (left[i]! <= 0 || jobs[i]!.fromS > fromS) continue;
      const worked = Math.min(left[i]!, toS - nowS);
      weighted[i]! += worked * (nowS + worked / 2);
      left[i]! -= worked;
      nowS += worked;
    }
  }
  return jobs.map(({ lengthS, fromS }, i) => (lengthS > 0 ? weighted[i]! / (lengthS / speed) : fromS));
}
