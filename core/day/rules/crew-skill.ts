import type { Car, Instructor } from '../day-file';
import { rule } from './rule';

/** Whether the instructor teaches in this car. */
export function teachesIn(instructor: Instructor, car: Pick<Car, 'id'>): boolean {
  return instructor.cars === 'all' || instructor.cars.includes(car.id);
}

/** Drives: the car is one of the instructor's; briefings need `brief`, sighting runs need `sighting`. */
export const crewSkill = rule('CREW_SKILL', function* ({ briefings, sightings, drives }) {
  for (const { instructor, car, label } of drives) {
    if (instructor && car && !teachesIn(instructor, car)) {
      yield `${instructor.name} does not teach in ${car.name} (${label})`;
    }
  }
  for (const { instructor, label } of briefings) {
    if (instructor && !instructor.brief) yield `${instructor.name} does not give briefings (${label})`;
  }
  for (const { instructor, label } of sightings) {
    if (instructor && !instructor.sighting) yield `${instructor.name} does not drive sighting runs (${label})`;
  }
});
