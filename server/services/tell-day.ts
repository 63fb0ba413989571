import type { ChangedWhat } from '@core/api';
import type { DayCache } from './day-cache';
import type { Hub } from './live/hub';

/** Tells the screens of a day what has changed in it; where a patch cannot say it, that it is to be read anew. */
export function tellDay(
  { dayCache, hub }: { readonly dayCache: DayCache; readonly hub: Hub },
  date: string,
  what: Extract<ChangedWhat, 'bookings' | 'plan' | 'setup'>,
): void {
  const patch = dayCache.patch(date);
  if (patch) hub.day(date, patch);
  else hub.changed(what, date);
}
