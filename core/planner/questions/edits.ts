import type { Day, Plan, PlannedDrive } from '../../day';

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

/**
 * A plan with what differs between two others as the second of them has it: a step taken back, or done again, on a plan whose
 * other times have moved since. Classes, runs and refuels have no names of their own: where they differ, all are the second's.
 */
export function restated(plan: Plan, from: Plan, to: Plan): Plan {
  const whole = <T>(of: (plan: Plan) => T): T => (isSame(of(from), of(to)) ? of(plan) : of(to));
  const named = <T>(of: (plan: Plan) => readonly T[] | undefined, idOf: (item: T) => string): T[] => {
    const [was, shall] = [from, to].map((one) => new Map((of(one) ?? []).map((item) => [idOf(item), item])));
    const differs = (id: string) => !isSame(was!.get(id), shall!.get(id));
    const known = new Set((of(plan) ?? []).map(idOf));
    return [
      ...(of(plan) ?? []).flatMap((item) => (differs(idOf(item)) ? (shall!.get(idOf(item)) ?? []) : item)),
      ...[...shall!].flatMap(([id, item]) => (differs(id) && !known.has(id) ? item : [])),
    ];
  };
  return {
    ...plan,
    briefings: whole(({ briefings }) => briefings),
    sightings: whole(({ sightings }) => sightings),
    refuels: whole(({ refuels }) => refuels),
    drives: named(
      ({ drives }) => drives,
      ({ drive }) => drive,
    ),
    unplanned: named(
      ({ unplanned }) => unplanned,
      ({ drive }) => drive,
    ),
    ...(plan.groups && {
      groups: named(
        ({ groups }) => groups,
        ({ group }) => group,
      ),
    }),
    ...(plan.unplannedGroups && {
      unplannedGroups: named(
        (one) => one.unplannedGroups,
        ({ group }) => group,
      ),
    }),
  };
}

function isSame(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
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
