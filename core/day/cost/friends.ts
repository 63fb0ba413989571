import { friendWishesOf, wishedDrives } from '../friends';
import type { CostTerm } from './term';

/** For each wish of two friends, the planned drives of the one with fewer that no drive of the other meets. */
export const friends: CostTerm = {
  name: 'friends',
  weight: 15,
  of: (schedule) =>
    friendWishesOf(schedule.day)
      .flatMap((wish) => wishedDrives(schedule, wish))
      .filter(({ met }) => !met).length,
};
