import type { Guest } from '../day';
import type { Interval } from '../values';
import type { CostTerm } from './term';

export const LONG_WAIT_MIN = 40;

/** A gap of m minutes counts m + 2·max(0, m − 40), never below 0. */
export function waitOfGap(gapS: number): number {
  const minutes = Math.max(0, gapS / 60);
  return minutes + 2 * Math.max(0, minutes - LONG_WAIT_MIN);
}

/** What one guest waits over the day: from arrival to the first occupancy, then each gap beyond the guest's rest. */
function waitOfGuest(guest: Guest, occupancies: readonly Interval[], guestRestS: number): number {
  let sum = 0;
  let before: Interval | undefined;
  for (const occupancy of occupancies) {
    sum += waitOfGap(before ? occupancy.startS - before.endS - guestRestS : occupancy.startS - guest.arrives);
    before = occupancy;
  }
  return sum;
}

/** Weighted minutes that guests with a planned activity wait. */
export const waiting: CostTerm = {
  name: 'waiting',
  weight: 1,
  of: ({ day, index, guestOccupancies }) => {
    let sum = 0;
    for (const [id, occupancies] of guestOccupancies)
      sum += waitOfGuest(index.guests.get(id)!, occupancies, day.rules.guestRestS);
    return sum;
  },
};
