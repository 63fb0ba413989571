import { activityOf, type Activity, type Drive, type PlannedDrive } from '../day';
import { rule, type Broken } from './rule';

type Of = { activity: Activity };
export type PinBroken =
  | Broken<'release', Of, { pinnedS: number; plannedS: number }>
  | Broken<'car', Of & { car: string }>
  | Broken<'instructor', Of & { instructor: string }>;

/** A planned drive has the release, car and instructor that its pin fixes. */
export const pin = rule('PIN', function* ({ drives }): Iterable<PinBroken> {
  for (const occupancy of drives) {
    const { drive, planned } = occupancy;
    const fixed = drive?.pin;
    if (!fixed) continue;
    const of = { activity: activityOf(occupancy) };
    if (fixed.release !== undefined && fixed.release !== planned.release) {
      const values = { pinnedS: fixed.release, plannedS: planned.release };
      yield { detail: 'release', subjects: of, values };
    }
    if (fixed.car !== undefined && fixed.car !== planned.car) {
      yield { detail: 'car', subjects: { ...of, car: fixed.car }, values: {} };
    }
    if (fixed.instructor !== undefined && fixed.instructor !== planned.instructor) {
      yield { detail: 'instructor', subjects: { ...of, instructor: fixed.instructor }, values: {} };
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
