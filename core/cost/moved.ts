import type { Schedule } from '../day';
import { countAgainstPrevious } from './against-previous';
import type { CostTerm } from './term';

/** A release that moves by no more than this counts as not moved. */
export const UNNOTICED_S = 300;

/** Repair: drives planned before and after, and guests of groups, whose release moved by more than five minutes. */
export const moved: CostTerm = {
  name: 'moved',
  weight: 3,
  of: (schedule) => countAgainstPrevious(schedule, hasMoved) + membersMoved(schedule),
};

function hasMoved(before: { readonly release: number }, after: { readonly release: number }): boolean {
  return Math.abs(before.release - after.release) > UNNOTICED_S;
}

function membersMoved({ repair, groups }: Schedule): number {
  if (!repair) return 0;
  const before = new Map((repair.previous.groups ?? []).map((planned) => [planned.group, planned]));
  return groups.reduce((sum, { planned, guests }) => {
    const earlier = before.get(planned.group);
    return earlier && hasMoved(earlier, planned) ? sum + guests.length : sum;
  }, 0);
}
