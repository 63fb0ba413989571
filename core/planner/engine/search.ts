import type { Random } from '../random';
import type { Occupancy } from './occupancy';
import { moveShared, swapDrives } from './moves';
import { anyManner, rebuild } from './rebuild';
import { clearAround, makeRoom, pull, RUINS } from './ruin';
import type { Timetable } from './timetable';

/** Temperatures in minutes of patience, at the start and at the end of a cooling; from measurements with `npm run bench:planner`. */
const HOT = 30;
const COLD = 0.3;
/**
 * One cooling takes so many steps for each drive, and at least so many in all, or what time is left where that is shorter.
 * Then the best is heated again; where that has not helped so often in a row, the search ends.
 */
const STEPS_PER_DRIVE = 4000;
const LEAST_STEPS = 20_000;
const MOST_IN_VAIN = 4;
/** Most activities that one step takes out. */
const MOST_OUT = 14;

/** Shares of the steps that move a class or run as it is, and that let two drives change places. */
const MOVES_SHARED = 0.12;
const SWAPS = 0.06;
const PULLS = 0.15;

/** Asked and told while the search runs. */
export interface SearchWatch {
  readonly random: Random;
  /** Share of the search that is done, 0 to 1, by the number of steps or by time; at 1 it ends. */
  readonly progress: (steps: number) => number;
  /** Told of every plan that is better than all before; the timetable holds it just then. */
  readonly onBetter?: (steps: number) => void;
}

/**
 * Large neighbourhood search (Shaw 1998) by ruin and recreate (Schrimpf et al. 2000) with simulated annealing: takes a
 * related handful of activities out, puts them back in another manner, and keeps the result where it is cheaper or, while
 * it is hot, not much dearer. The best plan found is in the timetable at the end, whenever that is.
 *
 * @returns steps done
 */
export function search(timetable: Timetable, { random, progress, onBetter }: SearchWatch): number {
  const { drives, weights } = timetable.problem;
  const stepsToCold = Math.max(LEAST_STEPS, STEPS_PER_DRIVE * drives.length);
  const scale = weights.waiting > 0 ? weights.waiting : 1;
  let current = timetable.searchCost();
  let best = current;
  let bestOccupancies: Occupancy[] = timetable.occupancies();
  let steps = 0;
  let heated = { at: 0, step: 0, best };
  let inVain = 0;
  timetable.commit();
  for (;;) {
    const done = progress(steps);
    if (done >= 1) break;
    const cooled = Math.max((done - heated.at) / (1 - heated.at), (steps - heated.step) / stepsToCold);
    if (cooled >= 1) {
      inVain = best < heated.best - 1e-9 ? 0 : inVain + 1;
      if (inVain > MOST_IN_VAIN) break;
      heated = { at: done, step: steps, best };
      restore(timetable, bestOccupancies);
      current = best;
    }
    steps += 1;
    takeOneStep(timetable, random);
    const cost = timetable.searchCost();
    const temperature = scale * HOT * (COLD / HOT) ** Math.min(1, cooled);
    if (cost >= current - temperature * Math.log(1 - random())) {
      timetable.back(0);
      continue;
    }
    timetable.commit();
    current = cost;
    if (cost < best - 1e-9) {
      best = cost;
      bestOccupancies = timetable.occupancies();
      onBetter?.(steps);
    }
  }
  restore(timetable, bestOccupancies);
  return steps;
}

function takeOneStep(timetable: Timetable, random: Random): void {
  const size = 1 + Math.floor(random() * random() * MOST_OUT);
  const unplanned = withoutPlace(timetable);
  const manner = anyManner(random);
  if (unplanned.length > 0 && random() < 0.3) {
    const drives =
      random() < 0.3 ? clearAround(timetable, random, unplanned) : makeRoom(timetable, random, size, unplanned);
    rebuild(timetable, drives, random() < 0.7 ? { ...manner, order: 'given' } : manner);
    return;
  }
  const kind = random();
  // In a repair nobody is to be told of another class or run for nothing, which costs nothing here.
  if (!timetable.problem.repair && kind < MOVES_SHARED) return moveShared(timetable, random);
  if (kind > 1 - PULLS) {
    const drives = pull(timetable, random, size);
    rebuild(timetable, drives, random() < 0.6 ? { ...manner, order: 'given' } : manner);
    return;
  }
  const drives =
    kind >= MOVES_SHARED && kind < MOVES_SHARED + SWAPS
      ? swapDrives(timetable, random)
      : anyRuin(random)(timetable, random, size);
  if (unplanned.length > 0 && random() < 0.3) drives.push(unplanned[Math.floor(random() * unplanned.length)]!);
  rebuild(timetable, drives, manner);
}

const RUIN_SUM = RUINS.reduce((sum, { weight }) => sum + weight, 0);

function anyRuin(random: Random) {
  let roll = random() * RUIN_SUM;
  return (RUINS.find(({ weight }) => (roll -= weight) < 0) ?? RUINS[0]!).ruin;
}

/** Drives that are out of the plan and could be in it. */
function withoutPlace(timetable: Timetable): number[] {
  const { drives } = timetable.problem;
  if (timetable.plannedDrives === drives.length) return [];
  const out: number[] = [];
  for (let drive = 0; drive < drives.length; drive++) {
    if (!timetable.driveOccupancy[drive] && drives[drive]!.options.length > 0) out.push(drive);
  }
  return out;
}

/** Makes the timetable hold exactly these. */
export function restore(timetable: Timetable, occupancies: readonly Occupancy[]): void {
  const wanted = new Set(occupancies);
  const there = new Set(timetable.occupancies());
  for (const occupancy of there) if (!wanted.has(occupancy)) timetable.remove(occupancy);
  for (const occupancy of wanted) if (!there.has(occupancy)) timetable.add(occupancy);
  timetable.commit();
}
