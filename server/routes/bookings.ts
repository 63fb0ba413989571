import { randomUUID } from 'node:crypto';
import { booking, type Booking } from '@core/api';
import type { bookingsEndpoints } from '@core/api/endpoints/bookings';
import { fact, MOST_DRIVES_A_DAY, MOST_GUESTS_A_DAY, type Fault } from '@core/day';
import { isAbout } from '@core/journal';
import type { AddBooking, ChangeBooking } from '../store/bookings';
import { notFound, refusalOf, type Refusal } from '../problems';
import { withUniqueDrives, type ListSituation } from '../reading/booking-batch';
import { readingThread } from '../reading/thread';
import { EncodedReply } from '../routing/mount';
import { stale } from '../routing/records';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** A list is read so often when others change bookings while it is read. */
const ROUNDS = 3;

/** Bookings by hand and by list. */
export function bookingsRoutes({ store, dayCache, hub }: Services): Handlers<typeof bookingsEndpoints> {
  const changed = (date: string) => {
    dayCache.forget(date);
    hub.changed('bookings', date);
  };

  return {
    addBooking: ({ params: { date }, body }) => {
      dayCache.of(date);
      const stored = taken(date, store.bookings.add(date, randomUUID(), withUniqueDrives(body, drivesOf(date))));
      changed(date);
      return stored;
    },
    changeBooking: ({ params: { date, id }, body: { version, fields } }) => {
      const unique = withUniqueDrives(fields, drivesOf(date, id));
      const stored = taken(date, store.bookings.change(date, id, version, unique));
      changed(date);
      return stored;
    },
    cancelBooking: ({ params: { date, id }, body: { version } }) => {
      const stored = store.bookings.get(date, id);
      if (!stored) throw notFound('booking', id, date);
      const drives = new Set(stored.fields.drives.map((drive) => drive.id));
      if (dayCache.of(date).entries.some(({ entry }) => isAbout(entry, id, drives))) {
        throw refusalOf(fact('inTheJournal', {}, { name: stored.fields.name }));
      }
      if (!store.bookings.remove(date, id, version)) throw staleBooking(stored);
      changed(date);
      return { cancelled: stored.fields.reference };
    },
    previewImport: async ({ params: { date }, body: { csv } }) => {
      const read = await readingThread.read({ kind: 'preview', text: csv, situation: situationOf(date) });
      if (!read.ok) throw unreadable(read.faults);
      return new EncodedReply(read.json);
    },
    importBookings: async ({ params: { date }, body: { csv } }) => {
      for (let round = 0; round < ROUNDS; round++) {
        const situation = situationOf(date);
        const read = await readingThread.read({ kind: 'bookings', text: csv, situation });
        if (!read.ok) throw unreadable(read.faults);
        const { added, changed: changes, unchanged, faulty } = read.batch;
        const taken = store.bookings.takeIn(date, situation.bookings, { added, changed: changes });
        if (taken === 'changedMeanwhile') continue;
        if (taken !== 'taken') throw dayFull(taken);
        changed(date);
        return { added: added.length, changed: changes.length, unchanged, faulty };
      }
      throw refusalOf(fact('keepsChanging', {}));
    },
  };

  /** What a list is read against. */
  function situationOf(date: string): ListSituation {
    if (!store.days.has(date)) throw notFound('eventDay', date);
    return {
      cars: store.cars.list().map(({ id, fields }) => ({ id, name: fields.name, number: fields.number })),
      instructors: store.instructors.list().map(({ fields: { id, name } }) => ({ id, name })),
      bookings: store.bookings.rows(date),
    };
  }

  /** Ids of the drives of a day, but for those of one booking. */
  function drivesOf(date: string, but?: string): Set<string> {
    const others = store.bookings.list(date).filter(({ id }) => id !== but);
    return new Set(others.flatMap(({ fields }) => fields.drives.map(({ id }) => id)));
  }
}

/** What was stored; everything else is refused. */
function taken(date: string, result: AddBooking | ChangeBooking): Booking {
  switch (result.outcome) {
    case 'added':
    case 'changed':
      return result.stored;
    case 'missing':
      throw notFound('booking', undefined, date);
    case 'referenceTaken':
      throw refusalOf(fact('referenceTaken', {}, { reference: result.reference, name: result.name }));
    case 'dayFull':
      throw dayFull(result);
    case 'stale':
      throw staleBooking(result.current);
  }
}

const staleBooking = (current: Booking) => stale({ kind: 'booking', name: current.fields.name }, booking, current);

function dayFull({ guests, drives }: { readonly guests: number; readonly drives: number }): Refusal {
  const most = { mostGuests: MOST_GUESTS_A_DAY, mostDrives: MOST_DRIVES_A_DAY };
  return refusalOf(fact('dayFull', {}, { guests, drives, ...most }));
}

function unreadable(faults: readonly Fault[]): Refusal {
  return refusalOf(fact('unreadableList', {}, { why: faults[0]!.message }), { faults });
}
