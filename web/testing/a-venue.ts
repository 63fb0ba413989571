import { ORDINARY_RULES } from '@core/day';

/** A venue as it travels, with a season of weekends. */
export const A_VENUE = {
  name: 'Larkmere',
  timeZone: 'UTC',
  currency: 'EUR',
  opens: '09:00',
  closes: '17:00',
  condition: { name: 'dry', paceFactor: 1 },
  circuit: { name: 'Slipway', lapLengthM: 2000, closures: [] },
  rules: ORDINARY_RULES,
  paces: { first: 1.2, before: 1.1, quick: 1 },
  sightingVehicles: [],
  calendar: { weekStartsOn: 7, patterns: [{ weekdays: [6, 7], from: '05-01', to: '09-30' }], closed: [] },
};
