import type { StoredRosterEntry } from '@core/api';
import { rosterEntry } from '@core/people/crew/at-start';
import { type RosterEntry } from '@core/people/crew';
import type { Db } from './database';
import { documentCodec, type DocumentRow, type ReadRows, type Stored } from './documents';

/** Shifts and absences. */
export function rosterStore(db: Db) {
  const codec = documentCodec(rosterEntry);
  const between = db.prepare<[string, string], DocumentRow>(
    'select id, version, document from roster where to_date >= ? and from_date <= ? order by from_date, instructor, id',
  );
  const all = db.prepare<[], DocumentRow>(
    'select id, version, document from roster order by from_date, instructor, id',
  );
  const one = db.prepare<[string], DocumentRow>('select id, version, document from roster where id = ?');
  const put = db.prepare(
    `insert into roster (id, instructor, from_date, to_date, document) values (@id, @instructor, @from, @to, @document)
     on conflict (id) do update set instructor = excluded.instructor, from_date = excluded.from_date,
       to_date = excluded.to_date, document = excluded.document, version = version + 1`,
  );
  const remove = db.prepare('delete from roster where id = ?');
  const entryOf = ({ version, fields }: Stored<RosterEntry>): StoredRosterEntry => ({ version, fields });
  const get = (id: string): StoredRosterEntry | undefined => {
    const row = one.get(id);
    const read = row && codec.read(row);
    return read && entryOf(read);
  };
  const readBetween = (first: string, last: string): ReadRows<RosterEntry> => codec.readAll(between.all(first, last));
  return {
    /** Entries that touch any day from the first to the last. */
    between: (first: string, last: string): StoredRosterEntry[] => readBetween(first, last).good.map(entryOf),
    readBetween,
    all: (): StoredRosterEntry[] => codec.readAll(all.all()).good.map(entryOf),
    get,
    /** Enters it, or puts it in the place of the one with its id. */
    put: (entry: RosterEntry): StoredRosterEntry => {
      const { id, instructor, from, to } = entry;
      put.run({ id, instructor, from, to, document: codec.write(entry) });
      return get(id)!;
    },
    /** False where there is none. */
    remove: (id: string): boolean => remove.run(id).changes > 0,
  };
}
