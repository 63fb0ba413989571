import { teachesIn, overworkedOccupancy } from '../../rules';
import type { Instructor } from '../../day';
import type { DayContext, DayState } from '../../journal';

/** Whether an instructor's meal still has its gap in the plan, and where. */
export type Meal =
  | { readonly state: 'kept'; readonly fromS: number; readonly toS: number }
  | { readonly state: 'endangered'; readonly longestS: number };

/** The first gap of the plan within the meal's window that is long enough, from now on. */
export function mealOf({ schedule }: DayContext, who: Instructor, nowS: number): Meal {
  const { from, to, durationS } = who.meal;
  const occupancies = (schedule.crewOccupancies.get(who.id) ?? []).filter(
    ({ endS, startS }) => endS > from && startS < to,
  );
  let freeS = Math.max(from, nowS);
  let longestS = 0;
  for (const { startS, endS } of [...occupancies, { startS: to, endS: to }]) {
    if (startS - freeS >= durationS) return { state: 'kept', fromS: freeS, toS: startS };
    longestS = Math.max(longestS, startS - freeS);
    freeS = Math.max(freeS, endS);
  }
  return { state: 'endangered', longestS };
}

/** Whether an instructor's breaks are long enough in the plan; where not, from when on the work is too long. */
export type Rest =
  { readonly state: 'kept' } | { readonly state: 'endangered'; readonly fromS: number; readonly workedS: number };

/** The breaks that the plan leaves, by the same rule that it is checked with. */
export function restOf({ schedule }: DayContext, who: Instructor): Rest {
  const over = overworkedOccupancy(who, schedule.crewOccupancies.get(who.id) ?? []);
  return over ? { state: 'endangered', fromS: over.occupancy.startS, workedS: over.workedS } : { state: 'kept' };
}

/** Somebody who is free now and may teach in a car, and until when. */
export interface FreeNow {
  readonly instructor: string;
  readonly name: string;
  /** When the plan has something next; nothing where it has not. */
  readonly untilS: number | undefined;
}

/** Who is free now and may teach in a car, the one who is free for longest first. */
export function freeFor({ day, schedule }: DayContext, state: DayState, car: string): FreeNow[] {
  return day.instructors
    .filter((who) => state.crew.get(who.id)?.status === 'free' && teachesIn(who, { id: car }))
    .map((who) => ({
      instructor: who.id,
      name: who.name,
      untilS: schedule.crewOccupancies.get(who.id)?.find(({ startS }) => startS > state.timeS)?.startS,
    }))
    .sort((a, b) => (b.untilS ?? Infinity) - (a.untilS ?? Infinity));
}
