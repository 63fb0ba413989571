import type { Instructor } from '../day-file';
import type { TimeWindow } from '../time';
import { byStart, liesInside, type Interval } from '../windows';
import { rule, type Broken } from './rule';

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

export type CrewMealBroken = Broken<'none', { instructor: string }, { durationS: number; fromS: number; toS: number }>;

/** An instructor who is available over the whole `meal` window has a gap of `durationS` inside it. */
export const crewMeal = rule('CREW_MEAL', function* ({ index, crewHolds }): Iterable<CrewMealBroken> {
  for (const [id, holds] of crewHolds) {
    const instructor = index.instructors.get(id)!;
    if (owedMeal(instructor, index.windows(instructor)) && !mealGap(instructor, holds)) {
      const { durationS, from, to } = instructor.meal;
      yield { detail: 'none', subjects: { instructor: id }, values: { durationS, fromS: from, toS: to } };
    }
  }
});
