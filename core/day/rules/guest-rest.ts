import type { PersonHold } from '../schedule';
import { spokenDuration } from '../time';
import { rule } from './rule';

/** Two holds of one guest are at least `guestRestS` apart. */
export const guestRest = rule('GUEST_REST', function* ({ day, index, guestHolds }) {
  for (const [id, holds] of guestHolds) {
    let before: PersonHold | undefined;
    for (const hold of holds) {
      if (before && hold.startS - before.endS < day.rules.guestRestS) {
        yield `${index.guests.get(id)!.name} has ${spokenDuration(hold.startS - before.endS)} between ${before.label} and ${hold.label}; ${spokenDuration(day.rules.guestRestS)} are needed`;
      }
      if (!before || hold.endS > before.endS) before = hold;
    }
  }
});
