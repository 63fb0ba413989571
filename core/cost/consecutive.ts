import { ownDrivesOf, type DriveOccupancy, type Schedule } from '../day';

/** Counts the pairs of consecutive planned drives of one guest for which the test holds; rides are none, whoever drives. */
export function countConsecutive(
  schedule: Schedule,
  test: (earlier: DriveOccupancy, later: DriveOccupancy) => boolean,
): number {
  let count = 0;
  for (const occupancies of schedule.guestOccupancies.values()) {
    const drives = ownDrivesOf(occupancies);
    for (let i = 1; i < drives.length; i++) if (test(drives[i - 1]!, drives[i]!)) count += 1;
  }
  return count;
}
