import {
  activityOf,
  indexDay,
  layOut,
  layOutDrive,
  wishesOf,
  type Activity,
  type Day,
  type FriendWish,
  type FriendWishKind,
  type LeftOutReason,
  type Plan,
  type PlannedDrive,
  type Schedule,
} from '../../day';
import { fact, liesInside, overlaps, type Fact } from '../../values';
import { wishedDrives } from '../../cost';

/** What a new plan changes for one guest's drive. */
export interface PlanChange {
  readonly drive: string;
  readonly guest: string;
  readonly kind: 'moved' | 'reassigned' | 'added' | 'left out';
  readonly before: PlannedDrive | undefined;
  readonly after: PlannedDrive | undefined;
  /** What made it change; nothing where there is nothing that could be told truly. */
  readonly why: ChangeReason | undefined;
}

/** Why a drive changed its place. */
export type ChangeReason =
  | Fact<'carWithdrawn' | 'carAway' | 'carRefuels', { car: string }>
  | Fact<'crewAway', { instructor: string }>
  | Fact<'guestComes', { guest: string }, { arrivesS: number }>
  | Fact<'guestLeaves', { guest: string }, { leavesByS: number }>
  | Fact<'closed', object, { fromS: number; toS: number }>
  | Fact<'ownActivity', { activity: Activity }>
  | Fact<'carTaken', { car: string; guest: string | undefined }>
  | Fact<'carInGroup', { car: string; activity: Activity }>
  | Fact<'crewTaken', { instructor: string; activity: Activity }>
  | Fact<'waitsLess', { guest: string }, { savedS: number }>
  | Fact<'friendThen', { friend: string }, { kind: FriendWishKind }>
  | Fact<'leftOut', object, { reason: LeftOutReason }>
  | Fact<'notBooked' | 'placeFound'>;

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
      };
      if (!now) {
        const reason = reasons.get(drive);
        const why = reason === undefined ? fact('notBooked', {}) : fact('leftOut', {}, { reason });
        return [{ ...common, kind: 'left out', why }];
      }
      if (!old) return [{ ...common, kind: 'added', why: fact('placeFound', {}) }];
      const kind = old.car === now.car && old.instructor === now.instructor ? 'moved' : 'reassigned';
      return [{ ...common, kind, why: whyNot(day, index, old) ?? whyMoved(scheduleBefore, schedule, old) }];
    })
    .sort((a, b) => timeOf(a) - timeOf(b));
}

function timeOf({ before, after }: PlanChange): number {
  return (after ?? before)!.release;
}

/** The least that a guest's wait must change to be a reason, seconds. */
const NOTICED_S = 300;

/** What of the new plan made a drive give up its old place: what is there now, or what its own guest has gained. */
function whyMoved(before: Schedule, after: Schedule, old: PlannedDrive): ChangeReason | undefined {
  const occupancy = layOutDrive(after.day, after.index, old);
  const { turnaroundS } = after.day.rules;
  const guest = occupancy.guests[0];
  const there = (of: { readonly startS: number; readonly endS: number }, afterS = 0) =>
    overlaps(
      { startS: occupancy.startS, endS: occupancy.endS + afterS },
      { startS: of.startS, endS: of.endS + afterS },
    );
  const own = guest && after.guestOccupancies.get(guest.id)?.find((other) => other.kind !== 'drive' && there(other));
  if (own) return fact('ownActivity', { activity: activityOf(own) });
  const others = after.drives.filter(({ planned }) => planned.drive !== old.drive);
  const inCar = others.find((other) => other.planned.car === old.car && there(other, turnaroundS));
  if (inCar) return fact('carTaken', { car: old.car, guest: inCar.guests[0]?.id });
  const inGroup = after.groups.find(
    (other) => other.cars.some(({ id }) => id === old.car) && there(other, turnaroundS),
  );
  if (inGroup) return fact('carInGroup', { car: old.car, activity: activityOf(inGroup) });
  const refuel = after.refuels.find((other) => other.refuel.car === old.car && there(other));
  if (refuel) return fact('carRefuels', { car: old.car });
  const withCrew = after.crewOccupancies
    .get(old.instructor)
    ?.find((other) => !(other.kind === 'drive' && other.planned.drive === old.drive) && there(other));
  if (withCrew) return fact('crewTaken', { instructor: old.instructor, activity: activityOf(withCrew) });
  if (!guest) return undefined;
  const friend = friendGained(before, after, old.drive, guest.id);
  if (friend) return friend;
  const savedS = waitOf(before, guest.id, guest.arrives) - waitOf(after, guest.id, guest.arrives);
  return savedS >= NOTICED_S ? fact('waitsLess', { guest: guest.id }, { savedS }) : undefined;
}

/** A wish of this guest and a friend that this drive keeps in the later plan and did not keep in the earlier one. */
function friendGained(before: Schedule, after: Schedule, drive: string, guest: string): ChangeReason | undefined {
  const keeps = (schedule: Schedule, wish: FriendWish) =>
    wishedDrives(schedule, wish).some(
      ({ drive: one, met }) => met && (one.planned.drive === drive || met.planned.drive === drive),
    );
  const gained = wishesOf(after.index, guest).find((wish) => keeps(after, wish) && !keeps(before, wish));
  return gained && fact('friendThen', { friend: gained.friend }, { kind: gained.kind });
}

/** How long a guest waits in a plan before and between activities, seconds. */
export function waitOf({ guestOccupancies }: Schedule, guest: string, arrivesS: number): number {
  let fromS = arrivesS;
  let waitS = 0;
  for (const { startS, endS } of guestOccupancies.get(guest) ?? []) {
    waitS += Math.max(0, startS - fromS);
    fromS = Math.max(fromS, endS);
  }
  return waitS;
}

/** Why the day no longer allows an old place, as far as it shows without the other activities. */
function whyNot(day: Day, index: ReturnType<typeof indexDay>, old: PlannedDrive): ChangeReason | undefined {
  const occupancy = layOutDrive(day, index, old);
  const guest = occupancy.guests[0];
  const [car, crew] = [{ car: old.car }, { instructor: old.instructor }];
  if (!occupancy.car) return fact('carWithdrawn', car);
  if (!liesInside(index.windows(occupancy.car), occupancy)) return fact('carAway', car);
  if (!occupancy.instructor || !liesInside(index.windows(occupancy.instructor), occupancy))
    return fact('crewAway', crew);
  if (guest && occupancy.startS < guest.arrives)
    return fact('guestComes', { guest: guest.id }, { arrivesS: guest.arrives });
  if (guest?.leavesBy !== undefined && occupancy.endS > guest.leavesBy) {
    return fact('guestLeaves', { guest: guest.id }, { leavesByS: guest.leavesBy });
  }
  const closed = day.circuit.closures.find(({ from, to }) => occupancy.releaseS < to && from < occupancy.trackEndS);
  return closed && fact('closed', {}, { fromS: closed.from, toS: closed.to });
}
