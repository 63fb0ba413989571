import { clockMinute, indexDay, liesInside, layOutDrive, type Day, type Plan, type PlannedDrive } from '../day';

/** What a new plan changes for one guest's drive, in plain words. */
export interface PlanChange {
  readonly drive: string;
  readonly guest: string;
  readonly kind: 'moved' | 'reassigned' | 'added' | 'left out';
  readonly before: PlannedDrive | undefined;
  readonly after: PlannedDrive | undefined;
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

/**
 * The drives that two plans of a day treat differently, in order of their new times. The day is the one that the second
 * plan was made for: what of the first plan it no longer allows is the reason for a change.
 */
export function changesBetween(day: Day, before: Plan, after: Plan): PlanChange[] {
  const index = indexDay(day);
  const earlier = new Map(before.drives.map((planned) => [planned.drive, planned]));
  const later = new Map(after.drives.map((planned) => [planned.drive, planned]));
  const reasons = new Map(after.unplanned.map(({ drive, reason }) => [drive, reason]));
  const words = ({ release, car, instructor }: PlannedDrive) =>
    `${clockMinute(release)}, ${index.cars.get(car)?.name ?? car}, with ${index.instructors.get(instructor)?.name ?? instructor}`;
  const ids = new Set([...earlier.keys(), ...later.keys()]);
  return [...ids]
    .flatMap((drive): PlanChange[] => {
      const [old, now] = [earlier.get(drive), later.get(drive)];
      const same =
        old && now && old.release === now.release && old.car === now.car && old.instructor === now.instructor;
      if (same) return [];
      const common = {
        drive,
        guest: index.drives.get(drive)?.guest.name ?? drive,
        before: old,
        after: now,
        from: old ? words(old) : 'not planned',
        to: now ? words(now) : 'left out',
      };
      if (!now) return [{ ...common, kind: 'left out', why: reasons.get(drive) ?? 'no longer booked on this day' }];
      if (!old) return [{ ...common, kind: 'added', why: 'has a place now' }];
      const kind = old.car === now.car && old.instructor === now.instructor ? 'moved' : 'reassigned';
      return [{ ...common, kind, why: whyNot(day, index, old) ?? 'makes room, or saves waiting, for others' }];
    })
    .sort((a, b) => timeOf(a) - timeOf(b));
}

function timeOf({ before, after }: PlanChange): number {
  return (after ?? before)!.release;
}

/** Why the day no longer allows an old place, as far as it shows without the other activities. */
function whyNot(day: Day, index: ReturnType<typeof indexDay>, old: PlannedDrive): string | undefined {
  const hold = layOutDrive(day, index, old);
  const guest = hold.guests[0];
  if (!hold.car) return `${old.car} is withdrawn`;
  if (!liesInside(index.windows(hold.car), hold)) return `${hold.car.name} is away`;
  if (!hold.instructor || !liesInside(index.windows(hold.instructor), hold)) {
    return `${hold.instructor?.name ?? old.instructor} is away`;
  }
  if (guest && hold.startS < guest.arrives) return `${guest.name} comes at ${clockMinute(guest.arrives)}`;
  if (guest?.leavesBy !== undefined && hold.endS > guest.leavesBy) {
    return `${guest.name} leaves by ${clockMinute(guest.leavesBy)}`;
  }
  const closed = day.circuit.closures.find(({ from, to }) => hold.releaseS < to && from < hold.trackEndS);
  return closed && `the circuit is closed from ${clockMinute(closed.from)} to ${clockMinute(closed.to)}`;
}
