import type { Random } from '../place/random';
import type { Occupancy } from '../place/occupancy';
import { inAnotherOrder, moveShared, restBefore, swapDrives } from './moves';
import { moveGroup, settleGroups } from './move-group';
import { randomStrategy, rebuild } from './rebuild';
import { clearAround, makeRoom, pull, RUINS, type Ruin } from './ruin';
import type { Timetable } from '../place/timetable';

/** Temperatures in minutes of patience, at the start and at the end of a cooling; from measurements with `npm run bench:planner`. */
const HOT = 30;
const COLD = 0.1;
/**
 * One cooling takes so many steps for each drive, fewer where there are few drives, or what time is left where that is
 * shorter. Then it begins again, as long as there is time.
 */
const STEPS_PER_DRIVE = 4000;
const STEPS_PER_PAIR = 40;
const LEAST_STEPS = 1500;
/** Chance that a cooling begins with everything planned anew instead of with the best. */
const AFRESH = 0.5;
/** From this share of a cooling on, and then each time after so much more of it, the best of all searches is gone on from. */
const FIRST_SHARED = 0.6;
const SHARED_EVERY = 0.1;
/** A plan that costs so little more than the bound is the best: the solver counts less exactly. */
const PROVEN = 1e-3;
/** Up to so many drives a day is one of few. */
const FEW_DRIVES = 24;
/** Most activities that one step takes out. */
const MOST_OUT = 14;

/** Asked and told while the search runs. */
export interface SearchWatch {
  readonly random: Random;
  /** Share of the search that is done, 0 to 1, by the number of steps or by time; at 1 it ends. */
  readonly progress: (steps: number) => number;
  /** Told of every plan that is better than all before; the timetable holds it just then. */
  readonly onBetter?: (steps: number) => void;
  /** The search ends where a plan costs no more than this. */
  readonly least?: () => number;
  /** A better plan of another search, asked for in the second half of a cooling. */
  readonly elsewhere?: () => readonly Occupancy[] | undefined;
  /** Names of moves that are not to be used, to learn what they bring. */
  readonly without?: readonly string[];
}

/**
 * Large neighbourhood search (Shaw 1998) by ruin and recreate (Schrimpf et al. 2000) with simulated annealing: takes a
 * related handful of activities out, puts them back by another strategy, and keeps the result where it is cheaper or, while
 * it is hot, not much dearer. The best plan found is in the timetable at the end, whenever that is.
 *
 * @returns steps done
 */
export function search(timetable: Timetable, watch: SearchWatch): number {
  const { random, progress, onBetter, least, elsewhere, without = [] } = watch;
  const { drives, groups, weights, repair } = timetable.problem;
  const moves = MOVES.filter(
    ({ name, quiet, few, grouped }) =>
      !without.includes(name) &&
      !(repair && quiet === false) &&
      !(few && drives.length > FEW_DRIVES) &&
      !(grouped && groups.length === 0),
  );
  const stepsToCold = Math.max(LEAST_STEPS, Math.min(STEPS_PER_DRIVE, STEPS_PER_PAIR * drives.length) * drives.length);
  const scale = weights.waiting > 0 ? weights.waiting : 1;
  let current = timetable.searchCost();
  let best = current;
  let bestOccupancies: readonly Occupancy[] = timetable.occupancies();
  let steps = 0;
  let heated = { at: 0, step: 0 };
  let shared = FIRST_SHARED;
  timetable.commit();
  for (;;) {
    const done = progress(steps);
    if (done >= 1 || (least && best <= least() + PROVEN)) break;
    const cooled = Math.max((done - heated.at) / (1 - heated.at), (steps - heated.step) / stepsToCold);
    if (cooled >= 1) {
      heated = { at: done, step: steps };
      restore(timetable, bestOccupancies);
      if (!timetable.problem.repair && random() < AFRESH) beginAfresh(timetable, random);
      current = timetable.searchCost();
      shared = FIRST_SHARED;
    }
    if (elsewhere && cooled >= shared) {
      shared += SHARED_EVERY;
      const other = elsewhere();
      if (other) {
        const own = timetable.occupancies();
        restore(timetable, other);
        const cost = timetable.searchCost();
        if (cost < best - 1e-9) {
          current = best = cost;
          bestOccupancies = other;
        } else restore(timetable, own);
      }
    }
    steps += 1;
    takeOneStep(timetable, random, moves);
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

/** Everything anew by another strategy: where the best so far has grown from the wrong classes, no small step leads away. */
function beginAfresh(timetable: Timetable, random: Random): void {
  for (const occupancy of timetable.occupancies()) if (!occupancy.fixed) timetable.remove(occupancy);
  const strategy = randomStrategy(random);
  settleGroups(timetable, strategy);
  rebuild(
    timetable,
    timetable.problem.drives.map((_, drive) => drive),
    strategy,
  );
  timetable.commit();
}

/** Something to try with the plan; says which drives are to be planned again, none where it has done all itself. */
interface Move {
  readonly name: string;
  readonly move: Ruin;
  /** How often it is chosen, against the weights of the others. */
  readonly weight: number;
  /** Chance that the drives are planned in the order in which the move gives them. */
  readonly inOrder?: number;
  /** In a repair nobody is to be told of another class or run for nothing, which costs nothing here. */
  readonly quiet?: false;
  /** Takes so much apart that it is worth its time only on days of few drives. */
  readonly few?: true;
  /** Is about groups, where the day has some. */
  readonly grouped?: true;
}

const A_GROUP: Move = { name: 'a group at another time', move: moveGroup, weight: 1, grouped: true };
/** Chance that a group without a place is what a step is about. */
const GROUP_FIRST = 0.2;

export const MOVES: readonly Move[] = [
  ...RUINS,
  { name: 'a drive pulled forward', move: pull, weight: 7, inOrder: 0.6 },
  { name: 'a class or run moved as it is', move: moveShared, weight: 6, quiet: false },
  { name: 'two drives that change places', move: swapDrives, weight: 3 },
  { name: 'a rest before a drive', move: restBefore, weight: 1.5 },
  A_GROUP,
  { name: 'a stretch in another order', move: inAnotherOrder, weight: 12, quiet: false, few: true },
];

function takeOneStep(timetable: Timetable, random: Random, moves: readonly Move[]): void {
  const size = 1 + Math.floor(random() * random() * MOST_OUT);
  const unplanned = withoutPlace(timetable);
  const strategy = randomStrategy(random);
  if (unplanned.length > 0 && random() < 0.3) {
    const drives =
      random() < 0.3 ? clearAround(timetable, random, unplanned) : makeRoom(timetable, random, size, unplanned);
    rebuild(timetable, drives, random() < 0.7 ? { ...strategy, order: 'given' } : strategy);
    return;
  }
  const groupsOut = timetable.plannedMembers < timetable.allMembers && random() < GROUP_FIRST;
  const { move, inOrder = 0 } = groupsOut ? A_GROUP : chosenBy(random, moves);
  const drives = move(timetable, random, size);
  if (drives.length === 0) return;
  if (unplanned.length > 0 && random() < 0.3) drives.push(unplanned[Math.floor(random() * unplanned.length)]!);
  rebuild(timetable, drives, inOrder > 0 && random() < inOrder ? { ...strategy, order: 'given' } : strategy);
}

function chosenBy(random: Random, moves: readonly Move[]): Move {
  let roll = random() * moves.reduce((sum, { weight }) => sum + weight, 0);
  return moves.find(({ weight }) => (roll -= weight) < 0) ?? moves[0]!;
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
function restore(timetable: Timetable, occupancies: readonly Occupancy[]): void {
  const wanted = new Set(occupancies);
  const there = new Set(timetable.occupancies());
  for (const occupancy of there) if (!wanted.has(occupancy)) timetable.remove(occupancy);
  for (const occupancy of wanted) if (!there.has(occupancy)) timetable.add(occupancy);
  timetable.commit();
}
