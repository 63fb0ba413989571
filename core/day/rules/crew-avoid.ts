import type { Guest, Instructor } from '../day-file';
import { rule } from './rule';

export function avoids(guest: Guest, instructor: Instructor): boolean {
  return guest.avoidInstructors?.includes(instructor.id) ?? false;
}

/** No activity puts a guest with an instructor in its `avoidInstructors`. */
export const crewAvoid = rule('CREW_AVOID', function* ({ briefings, sightings, drives }) {
  for (const { instructor, guests, label } of [...briefings, ...sightings, ...drives]) {
    for (const guest of guests) {
      if (instructor && avoids(guest, instructor)) {
        yield `${guest.name} is not to be with ${instructor.name} (${label})`;
      }
    }
  }
});
