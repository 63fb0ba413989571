import { activityOf, type Activity, type Car, type Instructor, type PersonOccupancy } from '../day';
import type { Group, GroupRole } from '../programmes';
import { rule, type Broken } from './rule';

/** Whether the instructor teaches in this car. */
export function teachesIn(instructor: Instructor, car: Pick<Car, 'id'>): boolean {
  return instructor.cars === 'all' || instructor.cars.includes(car.id);
}

type Of = { instructor: string; activity: Activity };
export type CrewSkillBroken =
  | Broken<'car', Of & { car: string }>
  | Broken<'brief' | 'sighting' | 'ride', Of>
  | Broken<'role', Of, { role: GroupRole }>;

/** Whether somebody may do something for a group: beside guests by the cars, all else by the duty. */
export function mayDo(instructor: Instructor, role: GroupRole, { cars }: Pick<Group, 'cars'>): boolean {
  if (role === 'beside') return cars.every((id) => teachesIn(instructor, { id }));
  return instructor.duties?.includes(role) ?? false;
}

/**
 * Drives: the car is one of the instructor's, and rides need `rides` besides; briefings need `brief`, sighting runs
 * `sighting`, and whoever does something for a group its duty.
 */
export const crewSkill = rule('CREW_SKILL', function* (schedule): Iterable<CrewSkillBroken> {
  const { briefings, sightings, drives, groups } = schedule;
  const of = (occupancy: PersonOccupancy, instructor: Instructor) => ({
    instructor: instructor.id,
    activity: activityOf(occupancy),
  });
  for (const occupancy of drives) {
    const { instructor, car, drive } = occupancy;
    if (instructor && drive?.ride && !instructor.rides) {
      yield { detail: 'ride', subjects: of(occupancy, instructor), values: {} };
    }
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
  for (const occupancy of groups) {
    for (const { role, instructor } of occupancy.crew) {
      if (occupancy.group && !mayDo(instructor, role, occupancy.group)) {
        yield { detail: 'role', subjects: of(occupancy, instructor), values: { role } };
      }
    }
  }
});
