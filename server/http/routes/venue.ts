import { storedVenue, type venueEndpoints } from '@core/api';
import { fact } from '@core/values';
import { refusalOf } from '../../base/refusal';
import { stale } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** The venue and its rules. */
export function venueRoutes({ store, dayCache, hub, calendar }: Services): Handlers<typeof venueEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  return {
    readVenue: () => store.venue.get()!,
    changeVenue: ({ body: { version, fields } }) => {
      const namesake = fields.sightingVehicles.find(({ id }) => store.cars.get(id));
      if (namesake) throw refusalOf(fact('idIsACars', { id: namesake.id }));
      const stored = store.venue.change(version, fields);
      if (!stored) throw stale({ kind: 'venue' }, storedVenue, store.venue.get()!);
      calendar.keep();
      changed();
      return stored;
    },
  };
}
