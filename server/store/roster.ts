import { rosterEntry, type RosterEntry } from '@core/crew';
import type { Db } from '../database';
import * as z from 'zod';

interface Row {
  document: string;
}

/** Shifts and absences. */
export function rosterStore(db: Db) {
  const between = db.prepare<[string, string], Row>(
    'select document from roster where to_date >= ? and from_date <= ? order by from_date, instructor, id',
  );
  const all = db.prepare<[], Row>('select document from roster order by from_date, instructor, id');
  const one = db.prepare<[string], Row>('select document from roster where id = ?');
  const put = db.prepare(
    `insert into roster (id, instructor, from_date, to_date, document) values (@id, @instructor, @from, @to, @document)
     on conflict (id) do update set instructor = excluded.instructor, from_date = excluded.from_date,
       to_date = excluded.to_date, document = excluded.document`,
  );
  const remove = db.prepare('delete from roster where id = ?');
  const read = ({ document }: Row): RosterEntry => rosterEntry.parse(JSON.parse(document));
  return {
    /** Entries that touch any day from the first to the last. */
    between: (first: string, last: string): RosterEntry[] => between.all(first, last).map(read),
    all: (): RosterEntry[] => all.all().map(read),
    get: (id: string): RosterEntry | undefined => {
      const row = one.get(id);
      return row && read(row);
    },
    put: (entry: RosterEntry): void => {
      const { id, instructor, from, to } = entry;
      put.run({ id, instructor, from, to, document: JSON.stringify(z.encode(rosterEntry, entry)) });
    },
    /** False where there is none. */
    remove: (id: string): boolean => remove.run(id).changes > 0,
  };
}
