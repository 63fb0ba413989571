import type { VenueFields } from '@core/api';
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
  rules: {
    releaseGapS: 45,
    maxCarsOnTrack: 5,
    setUpS: 240,
    wrapUpS: 240,
    turnaroundS: 120,
    guestRestS: 300,
    refuelBays: 1,
    firstLapFactor: 1.1,
    outLapCounts: true,
    briefing: { durationS: 1500, seats: 12, rooms: 1 },
    sighting: { laps: 2, setUpS: 120, wrapUpS: 120 },
  },
  paces: { first: 1.25, before: 1.12, quick: 1 },
  sightingVehicles: [
    { id: 's1', name: 'People carrier', seats: 6, lapTimeS: 110, available: [{ from: at(9), to: at(17) }] },
  ],
};

/** Makes an empty database usable: a venue with ordinary rules and today as its first event day. */
export function prepareVenue(store: Store, today: string, now: string): void {
  if (store.venue.get()) return;
  store.venue.create(NEW_VENUE);
  store.days.add(today, now);
}
