import { layOut, type Day, type Schedule } from '../../day';
import { waitOf } from './changes';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';
import { stillSold, type Wanted } from './still-sold';

/** What a day takes under some rules, by a first plan made in a moment. */
export interface DayRoom {
  /** Drives with a place. */
  readonly placed: number;
  /** More drives that could be sold; counted up to a limit. */
  readonly more: number;
  /** Before and between what each guest does, in the mean of them, seconds. */
  readonly waitS: number;
}

/** What another rule does to a day: by how much each becomes more. */
export type RuleEffect = DayRoom;

/**
 * What a day takes: a first plan, and what is still free in it. The same day gives the same answer, in some tenths of a
 * second on a busy one.
 */
export function roomOf(day: Day, wanted: Wanted): DayRoom {
  const { plan } = planDay(day, { iterations: 0, random: seededRandom(1) });
  const { more } = stillSold(day, plan, day.opens, wanted);
  return { placed: plan.drives.length, more, waitS: meanWaitS(layOut(day, plan)) };
}

/** The difference that rules make. */
export function effectOf(before: DayRoom, after: DayRoom): RuleEffect {
  return {
    placed: after.placed - before.placed,
    more: after.more - before.more,
    waitS: after.waitS - before.waitS,
  };
}

function meanWaitS(schedule: Schedule): number {
  const { guests } = schedule.day;
  const waits = guests.map(({ id, arrives }) => waitOf(schedule, id, arrives));
  return waits.length === 0 ? 0 : waits.reduce((sum, waitS) => sum + waitS, 0) / waits.length;
}
