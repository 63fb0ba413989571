import { wallClock } from '../time';
import { liesInside, overlappingPairs } from '../windows';
import { rule } from './rule';

/** An instructor's holds do not overlap and lie in an available window. */
export const crewFree = rule('CREW_FREE', function* ({ index, crewHolds }) {
  for (const [id, holds] of crewHolds) {
    const instructor = index.instructors.get(id)!;
    for (const [a, b] of overlappingPairs(holds)) {
      yield `${instructor.name} is held until ${wallClock(a.endS)} by ${a.label} when ${b.label} begins at ${wallClock(b.startS)}`;
    }
    for (const hold of holds) {
      if (!liesInside(index.windows(instructor), hold)) {
        yield `${instructor.name} is not available for the whole of ${hold.label} (${wallClock(hold.startS)}–${wallClock(hold.endS)})`;
      }
    }
  }
});
