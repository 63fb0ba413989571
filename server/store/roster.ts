import type { StoredRosterEntry } from '@core/api';
import { rosterEntry, type RosterEntry } from '@core/crew';
import type { Db } from '../database';
import * as z from 'zod';

interface Row {
  version: number;
  document: string;
}

/** Shifts and absences. */
export function rosterStore(db: Db) {
  const between = db.prepare<[string, string], Row>(
    'select version, document from roster where to_date >= ? and from_date <= ? order by from_date, instructor, id',
  );
  const all = db.prepare<[], Row>('select version, document from roster order by from_date, instructor, id');
  const one = db.prepare<[string], Row>('select version, document from roster where id = ?');
  const put = db.prepare(
    `insert into roster (id, instructor, from_date, to_date, document) values (@id, @instructor, @from, @to, @document)
     on conflict (id) do update set instructor = excluded.instructor, from_date = excluded.from_date,
       to_date = excluded.to_date, document = excluded.document, version = version + 1`,
  );
  const remove = db.prepare('delete from roster where id = ?');
  const read = ({ version, document }: Row): StoredRosterEntry => ({
    version,
    fields: rosterEntry.parse(JSON.parse(document)),
  });
  const get = (id: string): StoredRosterEntry | undefined => {
    const row = one.get(id);
    return row && read(row);
  };
  return {
    /** Entries that touch any day from the first to the last. */
    between: (first: string, last: string): StoredRosterEntry[] => between.all(first, last).map(read),
    all: (): StoredRosterEntry[] => all.all().map(read),
    get,
    /** Enters it, or puts it in the place of the one with its id. */
    put: (entry: RosterEntry): StoredRosterEntry => {
      const { id, instructor, from, to } = entry;
      put.run({ id, instructor, from, to, document: JSON.stringify(z.encode(rosterEntry, entry)) });
      return get(id)!;
    },
    /** False where there is none. */
    remove: (id: string): boolean => remove.run(id).changes > 0,
  };
}
