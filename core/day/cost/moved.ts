import { countAgainstPrevious } from './against-previous';
import type { CostTerm } from './term';

/** A release that moves by no more than this counts as not moved. */
export const UNNOTICED_S = 300;

/** Repair: drives planned before and after whose release moved by more than five minutes. */
export const moved: CostTerm = {
  name: 'moved',
  weight: 3,
  of: (schedule) => countAgainstPrevious(schedule, (a, b) => Math.abs(a.release - b.release) > UNNOTICED_S),
};
