import type { Instructor } from '../day-file';
import { spokenDuration, wallClock } from '../time';
import type { TimeWindow } from '../time';
import { byStart, liesInside, type Interval } from '../windows';
import { rule } from './rule';

/**
 * The earliest gap of `durationS` inside the meal window, or nothing where there is none. Only an instructor who is
 * available over the whole meal window is owed one.
 */
export function mealGap(instructor: Instructor, holds: readonly Interval[]): Interval | undefined {
  const { from, to, durationS } = instructor.meal;
  let freeFrom = from;
  for (const hold of [...holds].sort(byStart)) {
    if (hold.startS >= to) break;
    if (hold.startS - freeFrom >= durationS) break;
    freeFrom = Math.max(freeFrom, hold.endS);
  }
  const startS = freeFrom;
  return to - startS >= durationS ? { startS, endS: startS + durationS } : undefined;
}

export function owedMeal(instructor: Instructor, windows: readonly TimeWindow[]): boolean {
  return liesInside(windows, { startS: instructor.meal.from, endS: instructor.meal.to });
}

/** An instructor who is available over the whole `meal` window has a gap of `durationS` inside it. */
export const crewMeal = rule('CREW_MEAL', function* ({ index, crewHolds }) {
  for (const [id, holds] of crewHolds) {
    const instructor = index.instructors.get(id)!;
    if (owedMeal(instructor, index.windows(instructor)) && !mealGap(instructor, holds)) {
      yield `${instructor.name} has no gap of ${spokenDuration(instructor.meal.durationS)} for a meal between ${wallClock(instructor.meal.from)} and ${wallClock(instructor.meal.to)}`;
    }
  }
});
