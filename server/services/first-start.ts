import { NEW_VENUE } from '../base/new-venue';
import type { Store } from '../store';

/** Makes an empty database usable: a venue with ordinary rules and today as its first event day. */
export function prepareVenue(store: Store, today: string, now: string): void {
  if (store.venue.get()) return;
  store.venue.create(NEW_VENUE);
  store.days.add(today, now);
}
