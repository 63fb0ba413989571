import { activityOf, type Activity, type Guest, type Instructor, speakersOf } from '../day';
import { rule, type Broken } from './rule';

export function sharesLanguage(instructor: Instructor, guest: Guest): boolean {
  return instructor.languages.some((language) => guest.languages.includes(language));
}

export type CrewLanguageBroken = Broken<
  'none',
  { instructor: string; guest: string; activity: Activity },
  { instructorSpeaks: readonly string[]; guestSpeaks: readonly string[] }
>;

/** The instructor, of a group whoever speaks with its guests, shares a language with each guest of the activity. */
export const crewLanguage = rule(
  'CREW_LANGUAGE',
  function* ({ briefings, sightings, drives, groups }): Iterable<CrewLanguageBroken> {
    for (const occupancy of [...briefings, ...sightings, ...drives, ...groups]) {
      for (const instructor of speakersOf(occupancy)) {
        for (const guest of occupancy.guests) {
          if (sharesLanguage(instructor, guest)) continue;
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
