import type { Day } from '../../day';
import { problemOf, type Problem } from '../place/problem';
import { fewestLeftOut, SCARCE, type Scarce } from './left-out';
import { choicesOf } from './needs';
import type { SolveProgram } from './program';
import { leastCostOfSmallDay } from './small-day';
import { leastWaiting, type WaitsFor } from './waiting';

/** Below what no plan of a day can be, term by term where that can be told. */
export interface Bound {
  readonly leftOut: {
    readonly atLeast: number;
    /** What is short, if it alone were, and how many drives that keeps out at least; the scarcest first. */
    readonly because: readonly { readonly scarce: Scarce; readonly atLeast: number }[];
    /** Drives that no plan can have: no car or instructor, or too short a stay. */
    readonly never: readonly string[];
  };
  /** Minutes that guests wait at least if every drive is planned that can be; nothing where others have to be left out. */
  readonly waiting?: { readonly minutes: number; readonly because: WaitsFor } | undefined;
  /** Below the whole cost of every plan, in minutes of patience. */
  readonly total: number;
}

/** Most seconds for each of the programs that are solved. */
const LIMIT_S = 10;
/** Those with classes and runs for five guests and more take half a minute. */
const SMALL_DAY_LIMIT_S = 60;

/** Below what no plan of the day can be. Takes up to a minute, so it belongs into a thread of its own. */
export function boundOf(day: Day, solve: SolveProgram): Bound {
  const problem = problemOf(day);
  const possible = new Set(choicesOf(problem).map(({ drive }) => drive));
  const never = problem.drives.flatMap(({ drive }, number) => (possible.has(number) ? [] : [drive.id]));
  // What the programs count knows neither groups, nor rides with hold times of their own: then only what is sure is said.
  if (problem.groups.length > 0 || problem.drives.some(({ drive }) => drive.ride)) {
    const leftOut = { atLeast: never.length, because: [], never };
    return { leftOut, waiting: undefined, total: problem.weights.unplanned * never.length };
  }
  const atLeast = Math.max(never.length, fewestLeftOut(problem, solve, LIMIT_S));
  const because =
    atLeast === never.length
      ? []
      : SCARCE.map((scarce) => ({ scarce, atLeast: fewestLeftOut(problem, solve, LIMIT_S, [scarce]) }))
          .filter((each) => each.atLeast > never.length)
          .sort((a, b) => b.atLeast - a.atLeast);
  const { weights } = problem;
  const left = { atLeast, because, never };
  if (atLeast > never.length) return { leftOut: left, waiting: undefined, total: weights.unplanned * atLeast };
  const waiting = leastWaiting(problem);
  // A plan with all drives that can have a place waits so much; one that leaves another out pays for that instead.
  const withAll = Math.max(
    weights.waiting * waiting.minutes + unavoidable(problem, possible),
    leastCostOfSmallDay(problem, solve, SMALL_DAY_LIMIT_S) ?? 0,
  );
  return { leftOut: left, waiting, total: weights.unplanned * atLeast + Math.min(withAll, weights.unplanned) };
}

/** What guests cost whatever the plan: steps down the ladder in an order that is fixed, nobody they prefer. */
function unavoidable({ guests, drives, cars, weights }: Problem, possible: ReadonlySet<number>): number {
  let cost = 0;
  for (const { guest, drives: booked, likes } of guests) {
    const own = booked.filter((drive) => possible.has(drive));
    const levels = own.map((drive) => drives[drive]!.options.map(({ car }) => cars[car]!.car.level));
    for (const [at, drive] of own.entries()) {
      if (drives[drive]!.options.every(({ crew }) => crew.every((who) => likes[who] === 0))) cost += weights.preference;
      const before = levels[at - 1];
      if (before && guest.sequence === 'asListed' && Math.max(...levels[at]!) < Math.min(...before))
        cost += weights.ladder;
    }
  }
  return cost;
}
