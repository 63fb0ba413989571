import { bookingFields, type BookingFields } from '@core/venue/booking';
import { MOST_DRIVES_A_DAY, MOST_GUESTS_A_DAY } from '@core/day';
import type { Db } from './database';
import type { BookingBatch } from './booking-batch';
import { documentCodec, type Change, type DocumentRow, type ReadRows, type Stored } from './documents';

/** Another booking of the day has this reference. */
type ReferenceTaken = { readonly outcome: 'referenceTaken'; readonly reference: string; readonly name: string };
/** The day has as many guests or drives as a day can have. */
type DayFull = { readonly outcome: 'dayFull'; readonly guests: number; readonly drives: number };
export type AddBooking =
  { readonly outcome: 'added'; readonly stored: Stored<BookingFields> } | ReferenceTaken | DayFull;
export type ChangeBooking = Change<BookingFields> | ReferenceTaken | DayFull;
interface Changing {
  readonly id: string;
  readonly version: number;
  readonly fields: BookingFields;
}

/** The bookings of each event day. */
export function bookingStore(db: Db) {
  const codec = documentCodec(bookingFields);
  const ofDay = db.prepare<[string], DocumentRow>(
    `select id, version, document from booking where date = ? order by document ->> 'arrives', reference`,
  );
  const one = db.prepare<[string, string], DocumentRow>(
    'select id, version, document from booking where date = ? and id = ?',
  );
  const byReference = db.prepare<[string, string], { id: string; name: string | null }>(
    `select id, document ->> 'name' as name from booking where date = ? and reference = ?`,
  );
  const insert = db.prepare('insert into booking (id, date, reference, version, document) values (?, ?, ?, 1, ?)');
  const update = db.prepare(
    'update booking set version = version + 1, reference = ?, document = ? where date = ? and id = ? and version = ?',
  );
  const remove = db.prepare('delete from booking where date = ? and id = ? and version = ?');
  const moveTo = db.prepare(
    'update booking set date = ?, version = version + 1, document = ? where date = ? and id = ? and version = ?',
  );
  const day = db.prepare<[string], { date: string }>('select date from booking where id = ?');
  const counts = db.prepare<[string], { guests: number; drives: number }>(
    `select count(*) as guests, coalesce(sum(json_array_length(document, '$.drives')), 0) as drives
     from booking where date = ?`,
  );
  const get = (date: string, id: string): Stored<BookingFields> | undefined => {
    const row = one.get(date, id);
    return row && codec.read(row);
  };
  const readAll = (date: string): ReadRows<BookingFields> => codec.readAll(ofDay.all(date));
  const taken = (date: string, reference: string, id?: string): ReferenceTaken | undefined => {
    const by = byReference.get(date, reference);
    return by && by.id !== id ? { outcome: 'referenceTaken', reference, name: by.name ?? by.id } : undefined;
  };
  const full = (date: string): DayFull | undefined => {
    const { guests, drives } = counts.get(date)!;
    return guests > MOST_GUESTS_A_DAY || drives > MOST_DRIVES_A_DAY
      ? { outcome: 'dayFull', guests, drives }
      : undefined;
  };
  /** Runs a change, and takes it back where it has filled the day beyond what it can hold. */
  const withinDay = <T>(date: string, change: () => T): T | DayFull => {
    const before = full(date);
    try {
      return db.transaction(() => {
        const done = change();
        const now = before === undefined ? full(date) : undefined;
        if (now) throw new OverFull(now);
        return done;
      })();
    } catch (error) {
      if (error instanceof OverFull) return error.day;
      throw error;
    }
  };
  const changeOf = (date: string, { id, version, fields }: Changing): ChangeBooking | ReferenceTaken => {
    const current = get(date, id);
    if (!current) return { outcome: 'missing' };
    const other = taken(date, fields.reference, id);
    if (other) return other;
    const changed = update.run(fields.reference, codec.write(fields), date, id, version).changes;
    return changed === 0 ? { outcome: 'stale', current } : { outcome: 'changed', stored: get(date, id)! };
  };
  return {
    list: (date: string): Stored<BookingFields>[] => readAll(date).good,
    readAll,
    get,
    /** The day on which a booking stands. */
    dateOf: (id: string): string | undefined => day.get(id)?.date,
    add: (date: string, id: string, fields: BookingFields): AddBooking =>
      withinDay(date, (): AddBooking => {
        const other = taken(date, fields.reference);
        if (other) return other;
        insert.run(id, date, fields.reference, codec.write(fields));
        return { outcome: 'added', stored: get(date, id)! };
      }),
    /** False where there is no such booking at this version. */
    remove: (date: string, id: string, version: number): boolean => remove.run(date, id, version).changes > 0,
    change: (date: string, id: string, version: number, fields: BookingFields): ChangeBooking =>
      withinDay(date, () => changeOf(date, { id, version, fields })),
    /** Puts a booking onto another day. */
    move: (date: string, id: string, version: number, to: string, fields: BookingFields): ChangeBooking =>
      withinDay(to, (): ChangeBooking => {
        const current = get(date, id);
        if (!current) return { outcome: 'missing' };
        const other = taken(to, fields.reference);
        if (other) return other;
        if (moveTo.run(to, codec.write(fields), date, id, version).changes === 0) return { outcome: 'stale', current };
        return { outcome: 'changed', stored: get(to, id)! };
      }),
    /** Changes one booking and adds another, both or neither. */
    split: db.transaction(
      (date: string, left: Changing, id: string, off: BookingFields): [ChangeBooking, AddBooking] | [ChangeBooking] => {
        const other = taken(date, off.reference);
        if (other) return [other];
        const changed = changeOf(date, left);
        if (changed.outcome !== 'changed') return [changed];
        insert.run(id, date, off.reference, codec.write(off));
        return [changed, { outcome: 'added', stored: get(date, id)! }];
      },
    ),
    /** Changes one booking and removes another, both or neither. */
    join: db.transaction((date: string, into: Changing, other: Stored<BookingFields>): ChangeBooking => {
      const changed = changeOf(date, into);
      if (changed.outcome === 'changed') remove.run(date, other.id, other.version);
      return changed;
    }),
    /** As they are stored. */
    rows: (date: string): DocumentRow[] => ofDay.all(date),
    /** Takes in many at once, all or none, if the day's bookings are still those against which they were made. */
    takeIn: (
      date: string,
      against: readonly DocumentRow[],
      { added, changed }: Pick<BookingBatch, 'added' | 'changed'>,
    ): 'taken' | 'changedMeanwhile' | DayFull =>
      withinDay(date, () => {
        if (versionsOf(ofDay.all(date)) !== versionsOf(against)) return 'changedMeanwhile';
        for (const { id, reference, document } of added) insert.run(id, date, reference, document);
        for (const { id, version, reference, document } of changed) update.run(reference, document, date, id, version);
        return 'taken';
      }),
  };
}

const versionsOf = (rows: readonly DocumentRow[]) => rows.map(({ id, version }) => `${id} ${version}`).join();

class OverFull extends Error {
  constructor(readonly day: DayFull) {
    super('the day is full');
  }
}
