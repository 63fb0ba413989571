import type { DayContext, DayState } from '../../journal';
import type { BrokenLine } from './broken';
import { latestOf } from './causes';
import { timesOf } from './slide';

/**
 * What is asked of somebody: lines with anything that cannot begin, that begins later than may follow by itself, or that
 * breaks a rule; without those that were left as they are and have not grown since.
 *
 * @param withinS the most that slides by itself, seconds
 */
export function asked<L extends BrokenLine>(
  { agreed }: DayContext,
  lines: readonly L[],
  state: DayState,
  withinS: number,
): L[] {
  const agreedS = timesOf(agreed);
  return lines.filter((line) => {
    const beyond = line.later.some((one) => one.releaseS - agreedS(one) > withinS);
    if (line.stuck.length === 0 && line.broken.length === 0 && !beyond) return false;
    const left = state.left.get(line.key);
    return left === undefined || latestOf(line) > left + GROWN_S;
  });
}

/** What was left as it is, is told again once it is so much later. */
const GROWN_S = 2 * 60;
