import type { Instructor } from '../day';
import { type TimeWindow, byStart, liesInside, type Interval } from '../values';
import { rule, type Broken } from './rule';

/**
 * The earliest gap of `durationS` inside the meal window, or nothing where there is none. Only an instructor who is
 * available over the whole meal window is owed one.
 */
export function mealGap(instructor: Instructor, occupancies: readonly Interval[]): Interval | undefined {
  const { from, to, durationS } = instructor.meal;
  let freeFrom = from;
  for (const occupancy of [...occupancies].sort(byStart)) {
    if (occupancy.startS >= to) break;
    if (occupancy.startS - freeFrom >= durationS) break;
    freeFrom = Math.max(freeFrom, occupancy.endS);
  }
  const startS = freeFrom;
  return to - startS >= durationS ? { startS, endS: startS + durationS } : undefined;
}

export function owedMeal(instructor: Instructor, windows: readonly TimeWindow[]): boolean {
  return liesInside(windows, { startS: instructor.meal.from, endS: instructor.meal.to });
}

/** The longest gap inside the meal window, seconds. */
function longestGapS({ meal: { from, to } }: Instructor, occupancies: readonly Interval[]): number {
  let [freeFrom, longestS] = [from, 0];
  for (const { startS, endS } of [...occupancies].sort(byStart)) {
    longestS = Math.max(longestS, Math.min(startS, to) - freeFrom);
    freeFrom = Math.max(freeFrom, endS);
  }
  return Math.max(longestS, to - freeFrom);
}

export type CrewMealBroken = Broken<
  'none',
  { instructor: string },
  { durationS: number; fromS: number; toS: number; longestS: number }
>;

/** An instructor who is available over the whole `meal` window has a gap of `durationS` inside it. */
export const crewMeal = rule('CREW_MEAL', function* ({ index, crewOccupancies }): Iterable<CrewMealBroken> {
  for (const [id, occupancies] of crewOccupancies) {
    const instructor = index.instructors.get(id)!;
    if (owedMeal(instructor, index.windows(instructor)) && !mealGap(instructor, occupancies)) {
      const { durationS, from, to } = instructor.meal;
      const longestS = longestGapS(instructor, occupancies);
      yield { detail: 'none', subjects: { instructor: id }, values: { durationS, fromS: from, toS: to, longestS } };
    }
  }
});
