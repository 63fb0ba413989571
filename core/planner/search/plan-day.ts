import { costOf, type Cost } from '../../cost';
import { layOut, type Day, type Plan, type Repair } from '../../day';
import { loadPlan } from './load';
import type { Occupancy } from '../place/occupancy';
import { settleGroups } from './move-group';
import { problemOf, type Problem } from '../place/problem';
import { randomStrategy, rebuild, type InsertionStrategy } from './rebuild';
import { search } from './search';
import { Timetable } from '../place/timetable';
import { withReasons } from './explain';
import type { Random } from '../place/random';

/** How long and how to look for a better plan. A first, complete plan is made whatever the limits. */
export interface PlanningOptions {
  readonly random: Random;
  /** Steps of the search; the same seed and number of steps give the same plan. */
  readonly iterations?: number;
  /** Where the search ends by time: a clock in milliseconds, and the time on it at which to end. */
  readonly deadline?: { readonly now: () => number; readonly untilMs: number };
  /** Asked before every step; true ends the search with the best plan so far. */
  readonly cancelled?: () => boolean;
  /** Below what no plan of the day costs, once that is known: the search ends where it is reached. Not of a repair. */
  readonly least?: () => number;
  /** The best plan that another search of the same day has found since this was asked last; asked now and then. */
  readonly elsewhere?: () => Plan | undefined;
  /** Names of moves of the search that are not to be used, to learn what they bring. */
  readonly without?: readonly string[];
  /** Told of the first plan and of every better one. */
  readonly onProgress?: (progress: PlanningProgress) => void;
}

interface PlanningProgress {
  readonly steps: number;
  /** Lays out the best plan so far; takes some milliseconds, so a listener asks for it only now and then. */
  readonly best: () => { readonly plan: Plan; readonly cost: Cost };
}

export interface PlannedDay {
  readonly plan: Plan;
  readonly cost: Cost;
  /** Steps of the search that were taken. */
  readonly steps: number;
}

/** Plans a day, or plans again from `repair.nowS` on, and improves the plan until a limit is reached. */
export function planDay(day: Day, options: PlanningOptions, repair?: Repair): PlannedDay {
  const problem = problemOf(day, repair);
  return finish(repair ? repaired(problem, options) : constructed(problem, options), options);
}

/**
 * Improves a plan of the day until a limit is reached. What of the plan no longer fits the day is planned again. In a
 * repair, changes are counted against `repair.previous`.
 */
export function improve(day: Day, plan: Plan, options: PlanningOptions, repair?: Repair): PlannedDay {
  const timetable = loadPlan(problemOf(day, repair), plan);
  completed(timetable, { ...randomStrategy(options.random), ...UNHURRIED });
  return finish(timetable, options);
}

const ORDERS = ['ready', 'leaving', 'scarce'] as const;

const UNHURRIED: Pick<InsertionStrategy, 'classPrice' | 'runPrice' | 'patienceS' | 'stepS' | 'skipChance' | 'leaning'> =
  {
    classPrice: 20,
    runPrice: 5,
    patienceS: 1200,
    stepS: 15,
    skipChance: 0,
    leaning: 0,
  };

/** A day on which a first plan has places for less than this share of the drives is crowded. */
const CROWDED = 0.85;

/** On a crowded day, fewer classes and runs leave the crew and the circuit for more drives. */
const DEAR_SHARED: readonly Pick<InsertionStrategy, 'classPrice' | 'runPrice' | 'patienceS'>[] = [
  { classPrice: 100, runPrice: 25, patienceS: 2400 },
  { classPrice: 300, runPrice: 100, patienceS: 3600 },
  { classPrice: 600, runPrice: 200, patienceS: 5400 },
];

/** The cheapest of several constructions from nothing: whoever is ready first, has to leave first, or is hardest to place. */
function constructed(problem: Problem, { random, deadline }: PlanningOptions): Timetable {
  let best: Timetable | undefined;
  const attempt = (strategy: InsertionStrategy) => {
    if (best && deadline && deadline.now() >= deadline.untilMs) return;
    const timetable = new Timetable(problem);
    completed(timetable, strategy);
    if (!best || timetable.cost() < best.cost()) best = timetable;
  };
  for (const order of ORDERS) attempt({ random, order, ...UNHURRIED });
  if (best!.plannedDrives < CROWDED * problem.drives.length) {
    for (const dear of DEAR_SHARED) for (const order of ORDERS) attempt({ random, order, ...UNHURRIED, ...dear });
  }
  return best!;
}

/** What was planned and can stay, and the rest planned around it. */
function repaired(problem: Problem, { random }: PlanningOptions): Timetable {
  const timetable = loadPlan(problem, problem.repair!.previous);
  completed(timetable, { random, order: 'ready', ...UNHURRIED });
  return timetable;
}

/** Plans every group, then every drive, that is not planned yet. */
function completed(timetable: Timetable, strategy: InsertionStrategy): void {
  settleGroups(timetable, strategy);
  const drives = timetable.problem.drives.map((_, drive) => drive).filter((drive) => !timetable.driveOccupancy[drive]);
  rebuild(timetable, drives, strategy);
  // Drives may have left room where another order left none.
  settleGroups(timetable, strategy);
  timetable.commit();
}

function finish(timetable: Timetable, options: PlanningOptions): PlannedDay {
  const { onProgress, elsewhere, without, least } = options;
  const { problem } = timetable;
  const best = () => priced(timetable);
  onProgress?.({ steps: 0, best });
  const steps = search(timetable, {
    random: options.random,
    progress: progressOf(options),
    ...(without ? { without } : {}),
    ...(least ? { least } : {}),
    ...(elsewhere ? { elsewhere: () => loaded(problem, elsewhere()) } : {}),
    ...(onProgress ? { onBetter: (done: number) => onProgress({ steps: done, best }) } : {}),
  });
  return { ...priced(timetable), steps };
}

function loaded(problem: Problem, plan: Plan | undefined): readonly Occupancy[] | undefined {
  return plan && loadPlan(problem, plan).occupancies();
}

function priced(timetable: Timetable): { plan: Plan; cost: Cost } {
  const plan = withReasons(timetable);
  const { day, repair, index } = timetable.problem;
  return { plan, cost: costOf(layOut(day, plan, repair, index)) };
}

/** Share of the search that is done; without any limit it is over at once. */
function progressOf({ iterations, deadline, cancelled }: PlanningOptions): (steps: number) => number {
  const startMs = deadline?.now() ?? 0;
  return (steps) => {
    if (cancelled?.()) return 1;
    const byTime = deadline ? (deadline.now() - startMs) / Math.max(1, deadline.untilMs - startMs) : 0;
    const bySteps = iterations === undefined ? 0 : steps / Math.max(1, iterations);
    return deadline || iterations !== undefined ? Math.max(byTime, iterations === 0 ? 1 : bySteps) : 1;
  };
}
