import { drivesOf, type DriveHold, type Schedule } from '../schedule';

/** Counts the pairs of consecutive planned drives of one guest for which the test holds. */
export function countConsecutive(schedule: Schedule, test: (earlier: DriveHold, later: DriveHold) => boolean): number {
  let count = 0;
  for (const holds of schedule.guestHolds.values()) {
    const drives = drivesOf(holds);
    for (let i = 1; i < drives.length; i++) if (test(drives[i - 1]!, drives[i]!)) count += 1;
  }
  return count;
}
