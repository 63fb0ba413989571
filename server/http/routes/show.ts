import { storedShow, type showEndpoints } from '@core/api';
import { stale } from '../records';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** The classroom show. */
export function showRoutes({ store, hub }: Services): Handlers<typeof showEndpoints> {
  return {
    readShow: () => store.show.get(),
    changeShow: ({ body: { version, fields } }) => {
      const stored = store.show.change(version, fields);
      if (!stored) throw stale({ kind: 'show' }, storedShow, store.show.get());
      hub.changed('setup');
      return stored;
    },
  };
}
