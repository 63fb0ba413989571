import { activityOf, type Activity, type PersonOccupancy } from '../day';
import { rule, type Broken } from './rule';

export type GuestRestBroken = Broken<
  'short',
  { guest: string; before: Activity; after: Activity },
  { restS: number; neededS: number }
>;

/** Two occupancies of one guest are at least `guestRestS` apart. */
export const guestRest = rule('GUEST_REST', function* ({ day, guestOccupancies }): Iterable<GuestRestBroken> {
  for (const [id, occupancies] of guestOccupancies) {
    let before: PersonOccupancy | undefined;
    for (const occupancy of occupancies) {
      if (before && occupancy.startS - before.endS < day.rules.guestRestS) {
        yield {
          detail: 'short',
          subjects: { guest: id, before: activityOf(before), after: activityOf(occupancy) },
          values: { restS: occupancy.startS - before.endS, neededS: day.rules.guestRestS },
        };
      }
      if (!before || occupancy.endS > before.endS) before = occupancy;
    }
  }
});
