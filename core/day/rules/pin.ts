import type { Drive } from '../day-file';
import type { PlannedDrive } from '../plan-file';
import { wallClock } from '../time';
import { rule } from './rule';

/** A planned drive has the release, car and instructor that its pin fixes. */
export const pin = rule('PIN', function* ({ drives, index }) {
  for (const { drive, planned, label } of drives) {
    const fixed = drive?.pin;
    if (!fixed) continue;
    if (fixed.release !== undefined && fixed.release !== planned.release) {
      yield `${label} is pinned to ${wallClock(fixed.release)}, but planned at ${wallClock(planned.release)}`;
    }
    if (fixed.car !== undefined && fixed.car !== planned.car) {
      yield `${label} is pinned to ${index.cars.get(fixed.car)?.name ?? fixed.car}`;
    }
    if (fixed.instructor !== undefined && fixed.instructor !== planned.instructor) {
      yield `${label} is pinned to ${index.instructors.get(fixed.instructor)?.name ?? fixed.instructor}`;
    }
  }
});

/** Whether a planned drive has all that its pin fixes. */
export function obeysPin(fixed: Drive['pin'], planned: PlannedDrive): boolean {
  return (
    (fixed?.release ?? planned.release) === planned.release &&
    (fixed?.car ?? planned.car) === planned.car &&
    (fixed?.instructor ?? planned.instructor) === planned.instructor
  );
}
