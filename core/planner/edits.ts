import type { Day, Plan, PlannedDrive } from '../day';

/** Changes of a plan by hand. They only edit; whether the outcome is allowed, the rules say. */

/** Where a drive is put; what is left out stays as it is. */
export type Place = Partial<Pick<PlannedDrive, 'release' | 'car' | 'instructor'>>;

/** Puts a drive elsewhere, or one without a place somewhere, where car, instructor and release are given. */
export function moveDrive(plan: Plan, drive: string, to: Place): Plan {
  const { release, car, instructor } = to;
  if (plan.drives.some((planned) => planned.drive === drive)) {
    return {
      ...plan,
      drives: plan.drives.map((planned) =>
        planned.drive === drive ? { ...withoutHeldUntil(planned), ...to } : planned,
      ),
    };
  }
  if (release === undefined || car === undefined || instructor === undefined) return plan;
  return {
    ...plan,
    drives: [...plan.drives, { drive, release, car, instructor }],
    unplanned: plan.unplanned.filter((item) => item.drive !== drive),
  };
}

/** Moves several drives together, by so many seconds. */
export function shiftDrives(plan: Plan, drives: ReadonlySet<string>, byS: number): Plan {
  return {
    ...plan,
    drives: plan.drives.map((planned) =>
      drives.has(planned.drive)
        ? { ...withoutHeldUntil(planned), release: Math.max(0, planned.release + byS) }
        : planned,
    ),
  };
}

/** Moves a group to another time, with all that it has. */
export function moveGroup(plan: Plan, group: string, release: number): Plan {
  return {
    ...plan,
    groups: plan.groups?.map((planned) => (planned.group === group ? { ...planned, release } : planned)),
  };
}

/**
 * Lets two drives change places: each takes the other's time and instructor, and the other's car where both allow it.
 * Nothing changes where one of them has no place.
 */
export function swapDrives(day: Day, plan: Plan, one: string, other: string): Plan {
  const [a, b] = [one, other].map((id) => plan.drives.find(({ drive }) => drive === id));
  if (!a || !b) return plan;
  const allows = (id: string, car: string) =>
    day.guests.some(({ drives }) => drives.some((drive) => drive.id === id && drive.cars.includes(car)));
  const cars = allows(one, b.car) && allows(other, a.car);
  const at = ({ release, instructor, car }: PlannedDrive): Place => ({ release, instructor, ...(cars ? { car } : {}) });
  return moveDrive(moveDrive(plan, one, at(b)), other, at(a));
}

/** Takes a drive out of the plan by hand. */
export function leaveOut(plan: Plan, drive: string, reason: string): Plan {
  return {
    ...plan,
    drives: plan.drives.filter((planned) => planned.drive !== drive),
    unplanned: [...plan.unplanned.filter((item) => item.drive !== drive), { drive, reason }],
  };
}

/** What runs late is held at its old place only. */
function withoutHeldUntil({ heldUntil: _, ...planned }: PlannedDrive): PlannedDrive {
  return planned;
}
