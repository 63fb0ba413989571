import { activityOf, type Activity } from '../activity';
import type { PersonHold } from '../schedule';
import { rule, type Broken } from './rule';

export type GuestRestBroken = Broken<
  'short',
  { guest: string; before: Activity; after: Activity },
  { restS: number; neededS: number }
>;

/** Two holds of one guest are at least `guestRestS` apart. */
export const guestRest = rule('GUEST_REST', function* ({ day, guestHolds }): Iterable<GuestRestBroken> {
  for (const [id, holds] of guestHolds) {
    let before: PersonHold | undefined;
    for (const hold of holds) {
      if (before && hold.startS - before.endS < day.rules.guestRestS) {
        yield {
          detail: 'short',
          subjects: { guest: id, before: activityOf(before), after: activityOf(hold) },
          values: { restS: hold.startS - before.endS, neededS: day.rules.guestRestS },
        };
      }
      if (!before || hold.endS > before.endS) before = hold;
    }
  }
});
