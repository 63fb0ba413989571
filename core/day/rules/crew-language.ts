import type { Guest, Instructor } from '../day-file';
import { rule } from './rule';

export function sharesLanguage(instructor: Instructor, guest: Guest): boolean {
  return instructor.languages.some((language) => guest.languages.includes(language));
}

/** The instructor shares a language with each guest of the activity. */
export const crewLanguage = rule('CREW_LANGUAGE', function* ({ briefings, sightings, drives }) {
  for (const { instructor, guests, label } of [...briefings, ...sightings, ...drives]) {
    for (const guest of guests) {
      if (instructor && !sharesLanguage(instructor, guest)) {
        yield `${instructor.name} (${instructor.languages.join(', ')}) and ${guest.name} (${guest.languages.join(', ')}) share no language in ${label}`;
      }
    }
  }
});
