import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { booking, contract, type Booking, type BookingFields, type ImportPreview } from '@core/api';
import type { JournalEntry } from '@core/journal';
import { readBookingList } from '@exchange/booking-list';
import type { Services } from '../services';
import { conflict, notFound, Refusal } from '../problems';
import { mount } from './mount';
import { stale } from './records';

/** Bookings by hand and by list. */
export function bookingRoutes({ store, room, hub }: Services): Router {
  const router = Router();
  const changed = (date: string) => {
    room.forget(date);
    hub.changed('bookings', date);
  };
  const staleBooking = (current: Booking) => stale(`the booking of ${current.fields.name}`, booking, current);
  const referenceTaken = (by: Booking) =>
    conflict(`The reference ${by.fields.reference} belongs to the booking of ${by.fields.name}.`);

  mount(router, contract.addBooking, ({ params: { date }, body }) => {
    room.of(date);
    const result = store.bookings.add(date, randomUUID(), withUniqueDrives(body, date));
    if (result.outcome === 'referenceTaken') throw referenceTaken(result.by);
    changed(date);
    return result.stored;
  });
  mount(router, contract.changeBooking, ({ params: { date, id }, body: { version, fields } }) => {
    const result = store.bookings.change(date, id, version, withUniqueDrives(fields, date, id));
    if (result.outcome === 'missing') throw notFound(`booking "${id}" on ${date}`);
    if (result.outcome === 'referenceTaken') throw referenceTaken(result.by);
    if (result.outcome === 'stale') throw staleBooking(result.current);
    changed(date);
    return result.stored;
  });
  mount(router, contract.cancelBooking, ({ params: { date, id }, body: { version } }) => {
    const stored = store.bookings.get(date, id);
    if (!stored) throw notFound(`booking "${id}" on ${date}`);
    const own = new Set([id, ...stored.fields.drives.map((drive) => drive.id)]);
    if (room.of(date).entries.some(({ entry }) => isAbout(entry, own))) {
      throw conflict(`${stored.fields.name} stands in the journal of the day; enter "no-show" or "left" instead.`);
    }
    if (!store.bookings.remove(date, id, version)) throw staleBooking(stored);
    changed(date);
    return { cancelled: stored.fields.reference };
  });
  mount(router, contract.previewImport, ({ params: { date }, body: { csv } }) => previewOf(date, csv));
  mount(router, contract.importBookings, ({ params: { date }, body: { csv } }) => {
    const { rows } = previewOf(date, csv);
    store.db
      .transaction(() => {
        const bookings = store.bookings.list(date);
        for (const { outcome, fields } of rows) {
          if (!fields) continue;
          const before = bookings.find((known) => known.fields.reference === fields.reference);
          if (outcome === 'added') store.bookings.add(date, randomUUID(), withUniqueDrives(fields, date));
          if (outcome === 'changed' && before) {
            store.bookings.change(date, before.id, before.version, withUniqueDrives(fields, date, before.id));
          }
        }
      })
      .immediate();
    changed(date);
    const count = (outcome: string) => rows.filter((row) => row.outcome === outcome).length;
    return {
      added: count('added'),
      changed: count('changed'),
      unchanged: count('unchanged'),
      faulty: count('faulty'),
    };
  });

  function previewOf(date: string, csv: string): ImportPreview {
    const list = readBookingList(csv, {
      cars: store.cars.list().map(({ id, fields }) => ({ id, name: fields.name, number: fields.number })),
      instructors: store.instructors.list().map(({ fields }) => fields),
      bookings: room.of(date).bookings,
    });
    if (!list.ok) {
      throw new Refusal(422, 'The list cannot be read', `The list cannot be read: ${list.faults[0]!.message}.`, {
        faults: [...list.faults],
      });
    }
    return list.preview;
  }

  /** Drive ids are unique on a day; one that another booking has already gets a new one. */
  function withUniqueDrives(fields: BookingFields, date: string, ownId?: string): BookingFields {
    const taken = new Set(
      store.bookings.list(date).flatMap((other) => (other.id === ownId ? [] : other.fields.drives.map(({ id }) => id))),
    );
    const drives = fields.drives.map((drive) => {
      const id = taken.has(drive.id) ? randomUUID() : drive.id;
      taken.add(id);
      return { ...drive, id };
    });
    return { ...fields, drives };
  }
  return router;
}

/** Whether an entry names one of these guests or drives. */
function isAbout(entry: JournalEntry, ids: ReadonlySet<string>): boolean {
  const named = [
    'guest' in entry ? entry.guest : undefined,
    'drive' in entry ? entry.drive : undefined,
    ...('guests' in entry ? entry.guests : []),
  ];
  return named.some((id) => id !== undefined && ids.has(id));
}
