import { countConsecutive } from './consecutive';
import type { CostTerm } from './term';

/** Consecutive planned drives of one guest where the later car is the tamer one. */
export const ladder: CostTerm = {
  name: 'ladder',
  weight: 10,
  of: (schedule) => countConsecutive(schedule, (a, b) => (b.car?.level ?? 0) < (a.car?.level ?? 0)),
};
