import type { Instructor } from '../day-file';
import { drivesOf, type PersonHold } from '../schedule';
import { rule } from './rule';

/** Which of an instructor's lap limits the drives pass, as sentences. */
export function* lapLimitFaults(instructor: Instructor, holds: readonly PersonHold[]): Iterable<string> {
  let laps = 0;
  const byLevel = new Map<number, number>();
  for (const { lapsDriven, car } of drivesOf(holds)) {
    laps += lapsDriven;
    if (car) byLevel.set(car.level, (byLevel.get(car.level) ?? 0) + lapsDriven);
  }
  if (laps > instructor.maxLaps) {
    yield `${instructor.name} rides ${laps} laps; ${instructor.maxLaps} a day are allowed`;
  }
  for (const [level, driven] of byLevel) {
    const most = instructor.levelLaps?.[String(level) as '1' | '2' | '3' | '4' | '5'];
    if (most !== undefined && driven > most) {
      yield `${instructor.name} rides ${driven} laps in cars of level ${level}; ${most} a day are allowed`;
    }
  }
}

/** Laps beside guests a day stay within `maxLaps`, and within `levelLaps` for each level of car. */
export const crewLaps = rule('CREW_LAPS', function* ({ index, crewHolds }) {
  for (const [id, holds] of crewHolds) yield* lapLimitFaults(index.instructors.get(id)!, holds);
});
