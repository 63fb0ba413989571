import {
  clockMinute,
  indexDay,
  layOut,
  layOutDrive,
  liesInside,
  overlaps,
  type Day,
  type Plan,
  type PlannedDrive,
  type Schedule,
} from '../day';

/** What a new plan changes for one guest's drive, in plain words. */
export interface PlanChange {
  readonly drive: string;
  readonly guest: string;
  readonly kind: 'moved' | 'reassigned' | 'added' | 'left out';
  readonly before: PlannedDrive | undefined;
  readonly after: PlannedDrive | undefined;
  readonly from: string;
  readonly to: string;
  /** The fact that made it change, in words; empty where there is none that could be told truly. */
  readonly why: string;
}

/** A class or sighting run that a new plan treats differently. */
export interface SharedChange {
  readonly atS: number;
  readonly text: string;
}

/**
 * The drives that two plans of a day treat differently, in order of their new times. The day is the one that the second
 * plan was made for: what of the first plan it no longer allows is the reason for a change.
 */
export function changesBetween(day: Day, before: Plan, after: Plan): PlanChange[] {
  const index = indexDay(day);
  const [schedule, scheduleBefore] = [layOut(day, after), layOut(day, before)];
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
      return [{ ...common, kind, why: whyNot(day, index, old) ?? whyMoved(scheduleBefore, schedule, old) ?? '' }];
    })
    .sort((a, b) => timeOf(a) - timeOf(b));
}

function timeOf({ before, after }: PlanChange): number {
  return (after ?? before)!.release;
}

/** The least that a guest's wait must change to be a reason, seconds. */
const NOTICED_S = 300;

/** What of the new plan made a drive give up its old place: what is there now, or what its own guest has gained. */
function whyMoved(before: Schedule, after: Schedule, old: PlannedDrive): string | undefined {
  const hold = layOutDrive(after.day, after.index, old);
  const { turnaroundS } = after.day.rules;
  const guest = hold.guests[0];
  const there = (of: { readonly startS: number; readonly endS: number }, afterS = 0) =>
    overlaps({ startS: hold.startS, endS: hold.endS + afterS }, { startS: of.startS, endS: of.endS + afterS });
  const own = guest && after.guestHolds.get(guest.id)?.find((other) => other.kind !== 'drive' && there(other));
  if (own) return `${own.label} is then`;
  const others = after.drives.filter(({ planned }) => planned.drive !== old.drive);
  const inCar = others.find((other) => other.planned.car === old.car && there(other, turnaroundS));
  if (inCar) return `${hold.car?.name ?? old.car} is then with ${inCar.guests[0]?.name ?? 'another guest'}`;
  const refuel = after.refuels.find((other) => other.refuel.car === old.car && there(other));
  if (refuel) return `${hold.car?.name ?? old.car} refuels then`;
  const withCrew = after.crewHolds
    .get(old.instructor)
    ?.find((other) => !(other.kind === 'drive' && other.planned.drive === old.drive) && there(other));
  if (withCrew) return `${hold.instructor?.name ?? old.instructor} has ${withCrew.label} then`;
  if (!guest) return undefined;
  const savedS = waitOf(before, guest.id, guest.arrives) - waitOf(after, guest.id, guest.arrives);
  return savedS >= NOTICED_S ? `${guest.name} waits ${Math.round(savedS / 60)} min less` : undefined;
}

/** How long a guest waits in a plan before and between activities, seconds. */
function waitOf({ guestHolds }: Schedule, guest: string, arrivesS: number): number {
  let fromS = arrivesS;
  let waitS = 0;
  for (const { startS, endS } of guestHolds.get(guest) ?? []) {
    waitS += Math.max(0, startS - fromS);
    fromS = Math.max(fromS, endS);
  }
  return waitS;
}

/** The classes and sighting runs that two plans of a day treat differently, in order of time. */
export function sharedChanges(day: Day, before: Plan, after: Plan): SharedChange[] {
  const [old, now] = [sharedOf(day, before), sharedOf(day, after)];
  const same = (a: SharedHold, b: SharedHold) =>
    a.kind === b.kind &&
    a.atS === b.atS &&
    a.who === b.who &&
    [...a.guests].sort().join() === [...b.guests].sort().join();
  const left = old.filter((one) => !now.some((other) => same(one, other)));
  const changes: SharedChange[] = [];
  for (const one of now) {
    if (old.some((other) => same(one, other))) continue;
    const shared = (other: SharedHold) => other.guests.filter((id) => one.guests.includes(id)).length;
    const from = left
      .filter((other) => other.kind === one.kind && (shared(other) > 0 || other.who === one.who))
      .sort((a, b) => shared(b) - shared(a))[0];
    if (from) left.splice(left.indexOf(from), 1);
    changes.push({ atS: one.atS, text: from ? `${one.words}, instead of ${from.words}` : `${one.words} is new` });
  }
  for (const one of left) changes.push({ atS: one.atS, text: `${one.words} falls away` });
  return changes.sort((a, b) => a.atS - b.atS);
}

interface SharedHold {
  readonly kind: 'class' | 'sighting run';
  readonly atS: number;
  readonly who: string;
  readonly guests: readonly string[];
  readonly words: string;
}

function sharedOf(day: Day, { briefings, sightings }: Plan): SharedHold[] {
  const index = indexDay(day);
  const hold = (kind: SharedHold['kind'], atS: number, who: string, guests: readonly string[]): SharedHold => {
    const count = `${guests.length} guest${guests.length === 1 ? '' : 's'}`;
    const name = index.instructors.get(who)?.name ?? who;
    return { kind, atS, who, guests, words: `the ${kind} at ${clockMinute(atS)} with ${name}, ${count}` };
  };
  return [
    ...briefings.map(({ start, instructor, guests }) => hold('class', start, instructor, guests)),
    ...sightings.map(({ release, instructor, guests }) => hold('sighting run', release, instructor, guests)),
  ];
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
