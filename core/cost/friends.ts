import { keepsWish, type FriendWish, drivesOf, type DriveOccupancy, type Schedule } from '../day';
import type { CostTerm } from './term';

/** For each wish of two friends, the planned drives of the one with fewer that no drive of the other meets. */
export const friends: CostTerm = {
  name: 'friends',
  weight: 15,
  of: (schedule) =>
    schedule.index.friendWishes.flatMap((wish) => wishedDrives(schedule, wish)).filter(({ met }) => !met).length,
};

/** A planned drive over which a wish is counted, and the friend's drive that is as they wish, if one is. */
interface WishedDrive {
  readonly drive: DriveOccupancy;
  readonly met: DriveOccupancy | undefined;
}

/** What becomes of a wish in a plan: each planned drive of the one who leads. */
export function wishedDrives({ guestOccupancies }: Schedule, { kind, lead, other }: FriendWish): WishedDrive[] {
  const others = drivesOf(guestOccupancies.get(other));
  return drivesOf(guestOccupancies.get(lead)).map((drive) => ({
    drive,
    met: others.find((one) => keepsWish(kind, drive, one, drive.planned.instructor === one.planned.instructor)),
  }));
}
