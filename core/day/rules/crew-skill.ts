import { activityOf, type Activity } from '../activity';
import type { Car, Instructor } from '../day-file';
import type { PersonOccupancy } from '../schedule';
import { rule, type Broken } from './rule';

/** Whether the instructor teaches in this car. */
export function teachesIn(instructor: Instructor, car: Pick<Car, 'id'>): boolean {
  return instructor.cars === 'all' || instructor.cars.includes(car.id);
}

type Of = { instructor: string; activity: Activity };
export type CrewSkillBroken = Broken<'car', Of & { car: string }> | Broken<'brief' | 'sighting', Of>;

/** Drives: the car is one of the instructor's; briefings need `brief`, sighting runs need `sighting`. */
export const crewSkill = rule('CREW_SKILL', function* ({ briefings, sightings, drives }): Iterable<CrewSkillBroken> {
  const of = (occupancy: PersonOccupancy, instructor: Instructor) => ({
    instructor: instructor.id,
    activity: activityOf(occupancy),
  });
  for (const occupancy of drives) {
    const { instructor, car } = occupancy;
    if (instructor && car && !teachesIn(instructor, car)) {
      yield { detail: 'car', subjects: { ...of(occupancy, instructor), car: car.id }, values: {} };
    }
  }
  for (const occupancy of briefings) {
    const { instructor } = occupancy;
    if (instructor && !instructor.brief) yield { detail: 'brief', subjects: of(occupancy, instructor), values: {} };
  }
  for (const occupancy of sightings) {
    const { instructor } = occupancy;
    if (instructor && !instructor.sighting)
      yield { detail: 'sighting', subjects: of(occupancy, instructor), values: {} };
  }
});
