import { storedVenue } from '@core/api';
import type { venueEndpoints } from '@core/api/endpoints/venue';
import { conflict } from '../problems';
import { stale } from '../routing/records';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** The venue and its rules. */
export function venueRoutes({ store, room, hub }: Services): Handlers<typeof venueEndpoints> {
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };
  return {
    readVenue: () => store.venue.get()!,
    changeVenue: ({ body: { version, fields } }) => {
      const twin = fields.sightingVehicles.find(({ id }) => store.cars.get(id));
      if (twin) throw conflict(`A car has the id "${twin.id}" already; a sighting vehicle needs one of its own.`);
      const stored = store.venue.change(version, fields);
      if (!stored) throw stale('the rules', storedVenue, store.venue.get()!);
      changed();
      return stored;
    },
  };
}
