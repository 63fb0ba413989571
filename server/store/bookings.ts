import { bookingFields, type BookingFields } from '@core/api';
import type { Db } from '../database';
import { documentCodec, type Change, type DocumentRow, type Stored } from './documents';

/** Another booking of the day has this reference. */
type ReferenceTaken = { readonly outcome: 'referenceTaken'; readonly by: Stored<BookingFields> };
export type AddBooking = { readonly outcome: 'added'; readonly stored: Stored<BookingFields> } | ReferenceTaken;
export type ChangeBooking = Change<BookingFields> | ReferenceTaken;

/** The bookings of each event day. */
export function bookingStore(db: Db) {
  const codec = documentCodec(bookingFields);
  const ofDay = db.prepare<[string], DocumentRow>(
    `select id, version, document from booking where date = ? order by document ->> 'arrives', reference`,
  );
  const one = db.prepare<[string, string], DocumentRow>(
    'select id, version, document from booking where date = ? and id = ?',
  );
  const byReference = db.prepare<[string, string], DocumentRow>(
    'select id, version, document from booking where date = ? and reference = ?',
  );
  const insert = db.prepare('insert into booking (id, date, reference, version, document) values (?, ?, ?, 1, ?)');
  const update = db.prepare(
    'update booking set version = version + 1, reference = ?, document = ? where date = ? and id = ? and version = ?',
  );
  const remove = db.prepare('delete from booking where date = ? and id = ? and version = ?');
  const day = db.prepare<[string], { date: string }>('select date from booking where id = ?');
  const get = (date: string, id: string): Stored<BookingFields> | undefined => {
    const row = one.get(date, id);
    return row && codec.read(row);
  };
  return {
    list: (date: string): Stored<BookingFields>[] => ofDay.all(date).map(codec.read),
    get,
    /** The day on which a booking stands. */
    dateOf: (id: string): string | undefined => day.get(id)?.date,
    add: db.transaction((date: string, id: string, fields: BookingFields): AddBooking => {
      const taken = byReference.get(date, fields.reference);
      if (taken) return { outcome: 'referenceTaken', by: codec.read(taken) };
      insert.run(id, date, fields.reference, codec.write(fields));
      return { outcome: 'added', stored: get(date, id)! };
    }),
    /** False where there is no such booking at this version. */
    remove: (date: string, id: string, version: number): boolean => remove.run(date, id, version).changes > 0,
    change: db.transaction((date: string, id: string, version: number, fields: BookingFields): ChangeBooking => {
      const current = get(date, id);
      if (!current) return { outcome: 'missing' };
      const taken = byReference.get(date, fields.reference);
      if (taken && taken.id !== id) return { outcome: 'referenceTaken', by: codec.read(taken) };
      const changed = update.run(fields.reference, codec.write(fields), date, id, version).changes;
      return changed === 0 ? { outcome: 'stale', current } : { outcome: 'changed', stored: get(date, id)! };
    }),
  };
}
