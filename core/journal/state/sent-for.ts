import type { GuestState } from './day-state';

/** Who misses a guest and since when, as long as that holds: the next step of the guest ends it, wherever it is taken. */
export function sentFor({ sentFor, sinceS }: Pick<GuestState, 'sentFor' | 'sinceS'>): GuestState['sentFor'] {
  return sentFor && (sinceS ?? -Infinity) <= sentFor.atS ? sentFor : undefined;
}
