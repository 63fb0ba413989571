import { activityOf, type Activity } from '../activity';
import type { Car, Instructor } from '../day-file';
import type { PersonHold } from '../schedule';
import { rule, type Broken } from './rule';

/** Whether the instructor teaches in this car. */
export function teachesIn(instructor: Instructor, car: Pick<Car, 'id'>): boolean {
  return instructor.cars === 'all' || instructor.cars.includes(car.id);
}

type Of = { instructor: string; activity: Activity };
export type CrewSkillBroken = Broken<'car', Of & { car: string }> | Broken<'brief' | 'sighting', Of>;

/** Drives: the car is one of the instructor's; briefings need `brief`, sighting runs need `sighting`. */
export const crewSkill = rule('CREW_SKILL', function* ({ briefings, sightings, drives }): Iterable<CrewSkillBroken> {
  const of = (hold: PersonHold, instructor: Instructor) => ({ instructor: instructor.id, activity: activityOf(hold) });
  for (const hold of drives) {
    const { instructor, car } = hold;
    if (instructor && car && !teachesIn(instructor, car)) {
      yield { detail: 'car', subjects: { ...of(hold, instructor), car: car.id }, values: {} };
    }
  }
  for (const hold of briefings) {
    const { instructor } = hold;
    if (instructor && !instructor.brief) yield { detail: 'brief', subjects: of(hold, instructor), values: {} };
  }
  for (const hold of sightings) {
    const { instructor } = hold;
    if (instructor && !instructor.sighting) yield { detail: 'sighting', subjects: of(hold, instructor), values: {} };
  }
});
