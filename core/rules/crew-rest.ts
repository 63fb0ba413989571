import { activityOf, type Activity, type Instructor } from '../day';
import type { Interval } from '../values';
import { rule, type Broken } from './rule';

/**
 * The first occupancy (by start) with which the work since the last gap of `restS` or longer passes `maxSeatS`, with the
 * seconds worked by then.
 */
export function overworkedOccupancy<T extends Interval>(
  instructor: Instructor,
  occupancies: readonly T[],
): { readonly occupancy: T; readonly workedS: number } | undefined {
  let workedS = 0;
  let before: T | undefined;
  for (const occupancy of occupancies) {
    if (before && occupancy.startS - before.endS >= instructor.restS) workedS = 0;
    workedS += occupancy.endS - occupancy.startS;
    if (workedS > instructor.maxSeatS) return { occupancy, workedS };
    before = occupancy;
  }
  return undefined;
}

export type CrewRestBroken = Broken<
  'long',
  { instructor: string; activity: Activity },
  { workedS: number; restS: number; maxSeatS: number }
>;

/** The sum of an instructor's occupancies since the last gap of `restS` or longer never exceeds `maxSeatS`. */
export const crewRest = rule('CREW_REST', function* ({ index, crewOccupancies }): Iterable<CrewRestBroken> {
  for (const [id, occupancies] of crewOccupancies) {
    const instructor = index.instructors.get(id)!;
    const over = overworkedOccupancy(instructor, occupancies);
    if (over) {
      const { restS, maxSeatS } = instructor;
      const subjects = { instructor: id, activity: activityOf(over.occupancy) };
      yield { detail: 'long', subjects, values: { workedS: over.workedS, restS, maxSeatS } };
    }
  }
});
