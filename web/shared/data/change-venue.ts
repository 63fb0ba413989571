import { contract, type StoredVenue } from '@core/api';
import type { VenueFields } from '@core/venue/settings';
import { concatMap, type Observable } from 'rxjs';
import type { Api } from './api';

/** Changes the venue as it stands on the server now, so that nothing else of it is lost; errs with an `ApiError`. */
export function changeVenue(api: Api, change: (fields: VenueFields) => VenueFields): Observable<StoredVenue> {
  return api
    .call(contract.readVenue)
    .pipe(
      concatMap(({ version, fields }) => api.call(contract.changeVenue, { body: { version, fields: change(fields) } })),
    );
}
