import type { DayContext, DayState } from '../journal';
import { driftOf } from './drift';

/** Beginning later by less than this is not worth a word. */
const NOTICED_S = 20;

/** What is still to come, and begins later in one state of a day than in another; the longest and by how much. */
export function laterBy(
  context: DayContext,
  before: DayState,
  after: DayState,
): { readonly guests: readonly string[]; readonly byS: number } {
  const known = driftOf(context, before).expected;
  const guests = new Set<string>();
  let byS = 0;
  for (const [key, { phase, startS, occupancy }] of driftOf(context, after).expected) {
    const moreS = startS - (known.get(key)?.startS ?? startS);
    if (phase !== 'toCome' || moreS < NOTICED_S) continue;
    byS = Math.max(byS, moreS);
    if ('guests' in occupancy) for (const { id } of occupancy.guests) guests.add(id);
  }
  return { guests: [...guests], byS };
}
