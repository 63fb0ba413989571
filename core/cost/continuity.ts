import { countConsecutive } from './consecutive';
import type { CostTerm } from './term';

/** Consecutive planned drives of one guest with different instructors. */
export const continuity: CostTerm = {
  name: 'continuity',
  weight: 15,
  of: (schedule) => countConsecutive(schedule, (a, b) => a.planned.instructor !== b.planned.instructor),
};
