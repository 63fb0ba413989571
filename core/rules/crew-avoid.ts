import { activityOf, type Activity, type Guest, type Instructor, speakersOf } from '../day';
import { rule, type Broken } from './rule';

export function avoids(guest: Guest, instructor: Instructor): boolean {
  return guest.avoidInstructors?.includes(instructor.id) ?? false;
}

export type CrewAvoidBroken = Broken<'together', { instructor: string; guest: string; activity: Activity }>;

/** No activity puts a guest with an instructor in its `avoidInstructors`. */
export const crewAvoid = rule('CREW_AVOID', function* (schedule): Iterable<CrewAvoidBroken> {
  const { briefings, sightings, drives, groups } = schedule;
  for (const occupancy of [...briefings, ...sightings, ...drives, ...groups]) {
    for (const instructor of speakersOf(occupancy)) {
      for (const guest of occupancy.guests) {
        if (!avoids(guest, instructor)) continue;
        const subjects = { instructor: instructor.id, guest: guest.id, activity: activityOf(occupancy) };
        yield { detail: 'together', subjects, values: {} };
      }
    }
  }
});
