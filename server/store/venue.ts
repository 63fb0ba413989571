import { venueFields, type VenueFields } from '@core/venue/settings';
import type { StoredVenue } from '@core/api';
import type { Db } from './database';
import { NEW_VENUE } from '../base/new-venue';
import { documentCodec, type ReadRows } from './documents';

/** The one venue of this database. */
export function venueStore(db: Db) {
  const codec = documentCodec(venueFields, NEW_VENUE);
  const read = db.prepare<[], { version: number; document: string }>(
    'select version, document from venue where id = 1',
  );
  const insert = db.prepare('insert into venue (id, version, document) values (1, 1, ?)');
  const update = db.prepare('update venue set version = version + 1, document = ? where id = 1 and version = ?');
  const surface = db.prepare(
    'insert into surface (id, name) values (?, ?) on conflict (id) do update set name = excluded.name',
  );
  const readAll = (): ReadRows<VenueFields> => {
    const row = read.get();
    return codec.readAll(row ? [{ id: 'venue', ...row }] : []);
  };
  const get = (): StoredVenue | undefined => {
    const [venue] = readAll().good;
    return venue && { version: venue.version, fields: venue.fields };
  };
  return {
    get,
    readAll,
    /** Called once, on an empty database. The venue's circuit is its first surface. */
    create: db.transaction((fields: VenueFields): void => {
      insert.run(codec.write(fields));
      surface.run(MAIN_SURFACE, fields.circuit.name);
    }),
    /** Nothing where the version is stale. */
    change: db.transaction((version: number, fields: VenueFields): StoredVenue | undefined => {
      if (update.run(codec.write(fields), version).changes === 0) return undefined;
      surface.run(MAIN_SURFACE, fields.circuit.name);
      return get();
    }),
  };
}

/** Version 1 of the day file plans one circuit; the tables know more. */
export const MAIN_SURFACE = 'main';
