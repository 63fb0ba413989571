import type { PlannedDrive, Schedule } from '../day';

/** Counts the drives planned before and after a repair for which the test holds; 0 where the plan is no repair. */
export function countAgainstPrevious(
  { plan, repair }: Schedule,
  test: (before: PlannedDrive, after: PlannedDrive) => boolean,
): number {
  if (!repair) return 0;
  const before = new Map(repair.previous.drives.map((planned) => [planned.drive, planned]));
  return plan.drives.filter((after) => {
    const earlier = before.get(after.drive);
    return earlier !== undefined && test(earlier, after);
  }).length;
}
