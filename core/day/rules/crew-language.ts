import { activityOf, type Activity } from '../activity';
import type { Guest, Instructor } from '../day-file';
import { rule, type Broken } from './rule';

export function sharesLanguage(instructor: Instructor, guest: Guest): boolean {
  return instructor.languages.some((language) => guest.languages.includes(language));
}

export type CrewLanguageBroken = Broken<
  'none',
  { instructor: string; guest: string; activity: Activity },
  { instructorSpeaks: readonly string[]; guestSpeaks: readonly string[] }
>;

/** The instructor shares a language with each guest of the activity. */
export const crewLanguage = rule(
  'CREW_LANGUAGE',
  function* ({ briefings, sightings, drives }): Iterable<CrewLanguageBroken> {
    for (const occupancy of [...briefings, ...sightings, ...drives]) {
      const { instructor } = occupancy;
      for (const guest of occupancy.guests) {
        if (instructor && !sharesLanguage(instructor, guest)) {
          yield {
            detail: 'none',
            subjects: { instructor: instructor.id, guest: guest.id, activity: activityOf(occupancy) },
            values: { instructorSpeaks: instructor.languages, guestSpeaks: guest.languages },
          };
        }
      }
    }
  },
);
