import { ORDINARY_COACHING, ORDINARY_CHECK, type VenueFields } from '@core/api';
import { ORDINARY_RULES } from '@core/day';
import type { Store } from './store';

const at = (hours: number) => hours * 3600;

/** What a new venue begins with; the manager changes it on the rules screen. */
const NEW_VENUE: VenueFields = {
  name: 'New venue',
  timeZone: 'UTC',
  currency: 'EUR',
  opens: at(9),
  closes: at(17),
  condition: { name: 'dry', paceFactor: 1 },
  circuit: { name: 'Circuit', lapLengthM: 2000, closures: [] },
  rules: { ...ORDINARY_RULES, firstLapFactor: 1.1, outLapCounts: true },
  paces: { first: 1.25, before: 1.12, quick: 1 },
  sightingVehicles: [
    { id: 's1', name: 'People carrier', seats: 6, lapTimeS: 110, available: [{ from: at(9), to: at(17) }] },
  ],
  pitExit: { lastCheck: ORDINARY_CHECK },
  coaching: ORDINARY_COACHING,
};

/** Makes an empty database usable: a venue with ordinary rules and today as its first event day. */
export function prepareVenue(store: Store, today: string, now: string): void {
  if (store.venue.get()) return;
  store.venue.create(NEW_VENUE);
  store.days.add(today, now);
}
