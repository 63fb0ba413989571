import { type Instructor, drivesOf, type PersonOccupancy } from '../day';
import { rule, type Broken } from './rule';

export type CrewLapsBroken =
  | Broken<'all', { instructor: string }, { laps: number; most: number }>
  | Broken<'level', { instructor: string }, { laps: number; most: number; level: number }>;

/** Which of an instructor's lap limits the drives pass. */
function* lapLimitFaults(instructor: Instructor, occupancies: readonly PersonOccupancy[]): Iterable<CrewLapsBroken> {
  const subjects = { instructor: instructor.id };
  let laps = 0;
  const byLevel = new Map<number, number>();
  for (const { lapsDriven, car } of drivesOf(occupancies)) {
    laps += lapsDriven;
    if (car) byLevel.set(car.level, (byLevel.get(car.level) ?? 0) + lapsDriven);
  }
  if (laps > instructor.maxLaps) {
    yield { detail: 'all', subjects, values: { laps, most: instructor.maxLaps } };
  }
  for (const [level, driven] of byLevel) {
    const most = instructor.levelLaps?.[String(level) as '1' | '2' | '3' | '4' | '5'];
    if (most !== undefined && driven > most) {
      yield { detail: 'level', subjects, values: { laps: driven, most, level } };
    }
  }
}

/** Laps beside guests a day stay within `maxLaps`, and within `levelLaps` for each level of car. */
export const crewLaps = rule('CREW_LAPS', function* ({ index, crewOccupancies }): Iterable<CrewLapsBroken> {
  for (const [id, occupancies] of crewOccupancies) yield* lapLimitFaults(index.instructors.get(id)!, occupancies);
});
