import {
  NO_PATTERN,
  ORDINARY_CHECK,
  ORDINARY_COACHING,
  ORDINARY_GATE,
  ORDINARY_INTRODUCTION,
  ORDINARY_LIVE,
  type VenueFields,
} from '@core/venue/settings';
import { ORDINARY_RULES } from '@core/day';
import { UNNAMED_VENUE } from '@core/venue/first-steps';

const at = (hours: number) => hours * 3600;

/** What a new venue begins with, and what stands in for what cannot be read of a stored one. */
export const NEW_VENUE: VenueFields = {
  name: UNNAMED_VENUE,
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
  live: ORDINARY_LIVE,
  gate: ORDINARY_GATE,
  introduction: { ...ORDINARY_INTRODUCTION, assumed: true },
  putOff: [],
  surfaces: [],
  programmes: [],
  calendar: NO_PATTERN,
};
