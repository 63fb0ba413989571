import { activityOf, type Activity } from '../day';
import { liesInside, overlappingPairs } from '../values';
import { rule, type Broken } from './rule';

export type CrewFreeBroken =
  | Broken<'taken', { instructor: string; by: Activity; activity: Activity }, { untilS: number; startS: number }>
  | Broken<'away', { instructor: string; activity: Activity }, { startS: number; endS: number }>;

/** An instructor's occupancies do not overlap and lie in an available window. */
export const crewFree = rule('CREW_FREE', function* ({ index, crewOccupancies }): Iterable<CrewFreeBroken> {
  for (const [id, occupancies] of crewOccupancies) {
    const instructor = index.instructors.get(id)!;
    for (const [a, b] of overlappingPairs(occupancies)) {
      yield {
        detail: 'taken',
        subjects: { instructor: id, by: activityOf(a), activity: activityOf(b) },
        values: { untilS: a.endS, startS: b.startS },
      };
    }
    for (const occupancy of occupancies) {
      if (!liesInside(index.windows(instructor), occupancy)) {
        const { startS, endS } = occupancy;
        yield {
          detail: 'away',
          subjects: { instructor: id, activity: activityOf(occupancy) },
          values: { startS, endS },
        };
      }
    }
  }
});
