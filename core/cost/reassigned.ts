import { countAgainstPrevious } from './against-previous';
import type { CostTerm } from './term';

/** Repair: drives planned before and after with another car or instructor. */
export const reassigned: CostTerm = {
  name: 'reassigned',
  weight: 8,
  of: (schedule) => countAgainstPrevious(schedule, (a, b) => a.car !== b.car || a.instructor !== b.instructor),
};
