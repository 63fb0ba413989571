import { activityOf, type Activity } from '../activity';
import type { Guest, Instructor } from '../day-file';
import { rule, type Broken } from './rule';

export function avoids(guest: Guest, instructor: Instructor): boolean {
  return guest.avoidInstructors?.includes(instructor.id) ?? false;
}

export type CrewAvoidBroken = Broken<'together', { instructor: string; guest: string; activity: Activity }>;

/** No activity puts a guest with an instructor in its `avoidInstructors`. */
export const crewAvoid = rule('CREW_AVOID', function* ({ briefings, sightings, drives }): Iterable<CrewAvoidBroken> {
  for (const occupancy of [...briefings, ...sightings, ...drives]) {
    const { instructor } = occupancy;
    for (const guest of occupancy.guests) {
      if (instructor && avoids(guest, instructor)) {
        const subjects = { instructor: instructor.id, guest: guest.id, activity: activityOf(occupancy) };
        yield { detail: 'together', subjects, values: {} };
      }
    }
  }
});
