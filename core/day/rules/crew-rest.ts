import { activityOf, type Activity } from '../activity';
import type { Instructor } from '../day-file';
import type { Interval } from '../windows';
import { rule, type Broken } from './rule';

/**
 * The first hold (by start) with which the work since the last gap of `restS` or longer passes `maxSeatS`, with the
 * seconds worked by then.
 */
export function overworkedHold<T extends Interval>(
  instructor: Instructor,
  holds: readonly T[],
): { readonly hold: T; readonly workedS: number } | undefined {
  let workedS = 0;
  let before: T | undefined;
  for (const hold of holds) {
    if (before && hold.startS - before.endS >= instructor.restS) workedS = 0;
    workedS += hold.endS - hold.startS;
    if (workedS > instructor.maxSeatS) return { hold, workedS };
    before = hold;
  }
  return undefined;
}

export type CrewRestBroken = Broken<
  'long',
  { instructor: string; activity: Activity },
  { workedS: number; restS: number; maxSeatS: number }
>;

/** The sum of an instructor's holds since the last gap of `restS` or longer never exceeds `maxSeatS`. */
export const crewRest = rule('CREW_REST', function* ({ index, crewHolds }): Iterable<CrewRestBroken> {
  for (const [id, holds] of crewHolds) {
    const instructor = index.instructors.get(id)!;
    const over = overworkedHold(instructor, holds);
    if (over) {
      const { restS, maxSeatS } = instructor;
      const subjects = { instructor: id, activity: activityOf(over.hold) };
      yield { detail: 'long', subjects, values: { workedS: over.workedS, restS, maxSeatS } };
    }
  }
});
