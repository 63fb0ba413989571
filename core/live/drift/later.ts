import type { Drift } from './expected';

/** Beginning later by less than this is not worth a word. */
const NOTICED_S = 20;

/** Whose activities that are still to come begin later by one drift of a day than by another; the most of it, seconds. */
export function laterBy(before: Drift, after: Drift): { readonly guests: readonly string[]; readonly byS: number } {
  const guests = new Set<string>();
  let byS = 0;
  for (const [key, { phase, startS, occupancy }] of after.expected) {
    const moreS = startS - (before.expected.get(key)?.startS ?? startS);
    if (phase !== 'toCome' || moreS < NOTICED_S) continue;
    byS = Math.max(byS, moreS);
    if ('guests' in occupancy) for (const { id } of occupancy.guests) guests.add(id);
  }
  return { guests: [...guests], byS };
}
