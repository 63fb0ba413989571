import { randomUUID } from 'node:crypto';
import { booking, type Booking, type ListWord, type bookingsEndpoints } from '@core/api';
import { bookingFields, joinedBooking, splitBooking } from '@core/venue/booking';
import { fact } from '@core/values';
import { MOST_DRIVES_A_DAY, MOST_GUESTS_A_DAY } from '@core/day';
import { isAbout } from '@core/journal';
import * as z from 'zod';
import type { AddBooking, ChangeBooking } from '../../store/bookings';
import { notFound, refusalOf, type Refusal } from '../../base/refusal';
import { withUniqueDrives, type ListSituation } from '../../workers/import/booking-batch';
import { importThread } from '../../workers/import/thread';
import { EncodedReply, type Handlers } from '../mount';
import { unreadable } from '../lists';
import { stale } from '../records';
import { tellDay } from '../../services/tell-day';
import type { Services } from '../services';

/** A list is read so often when others change bookings while it is read. */
const ROUNDS = 3;

/** Bookings by hand and by list. */
export function bookingsRoutes({ store, dayCache, hub, clock }: Services): Handlers<typeof bookingsEndpoints> {
  const changed = (date: string) => {
    dayCache.forget(date);
    tellDay({ dayCache, hub }, date, 'bookings');
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
    cancelBooking: ({ params: { date, id }, body: { version, why = 'cancelled' } }) => {
      const { fields } = untouched(date, id);
      const stored = taken(date, store.bookings.change(date, id, version, { ...fields, cancelled: why }));
      changed(date);
      return stored;
    },
    removeBooking: ({ params: { date, id }, body: { version } }) => {
      const stored = untouched(date, id);
      if (!store.bookings.remove(date, id, version)) throw staleBooking(stored);
      changed(date);
      return { removed: stored.fields.reference };
    },
    moveBooking: ({ params: { date, id }, body: { version, to, arrives } }) => {
      const before = untouched(date, id);
      if (to === date) throw refusalOf(fact('sameDay', {}));
      store.days.add(to, clock.recordedAt());
      const { leavesBy, ...rest } = before.fields;
      const leaves = leavesBy !== undefined && leavesBy > arrives ? { leavesBy } : {};
      const fields = withUniqueDrives({ ...rest, ...leaves, arrives }, drivesOf(to));
      const stored = taken(to, store.bookings.move(date, id, version, to, fields));
      changed(date);
      changed(to);
      hub.changed('setup');
      return stored;
    },
    splitBooking: ({ params: { date, id }, body: { version, ...off } }) => {
      const stored = present(date, id);
      refuseHappened(date, stored, off.drives);
      const parts = splitBooking(stored.fields, off);
      if ('code' in parts) throw refusalOf(parts);
      const both = store.bookings.split(date, { id, version, fields: parts.left }, randomUUID(), parts.off);
      const [left, added] = both.map((one) => taken(date, one));
      changed(date);
      return { left: left!, off: added! };
    },
    joinBookings: ({ params: { date, id }, body: { version, other: otherId } }) => {
      const [stored, other] = [present(date, id), untouched(date, otherId)];
      if (id === otherId) throw refusalOf(fact('joinedToItself', {}));
      const fields = joinedBooking(stored.fields, other.fields);
      const read = bookingFields.safeParse(z.encode(bookingFields, fields));
      if (!read.success) throw refusalOf(fact('tooManyDrives', {}));
      const joined = taken(date, store.bookings.join(date, { id, version, fields }, other));
      changed(date);
      return joined;
    },
    previewImport: async ({ params: { date }, body: { csv, words } }) => {
      // An answer is remembered when it is given, whether or not the list is taken in.
      store.listWords.keep(words ?? []);
      const read = await importThread.read({ kind: 'preview', text: csv, situation: situationOf(date, words) });
      if (!read.ok) throw unreadable(read.faults);
      return new EncodedReply(read.json);
    },
    importBookings: async ({ params: { date }, body: { csv, words } }) => {
      for (let round = 0; round < ROUNDS; round++) {
        const situation = situationOf(date, words);
        const read = await importThread.read({ kind: 'bookings', text: csv, situation });
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

  function present(date: string, id: string): Booking {
    const stored = store.bookings.get(date, id);
    if (!stored) throw notFound('booking', id, date);
    return stored;
  }

  /** A booking of which nothing stands in the journal: neither of its guest nor of these drives. */
  function untouched(date: string, id: string): Booking {
    const stored = present(date, id);
    const drives = new Set(stored.fields.drives.map((drive) => drive.id));
    if (dayCache.of(date).entries.some(({ entry }) => isAbout(entry, id, drives))) {
      throw refusalOf(fact('inTheJournal', {}, { name: stored.fields.name }));
    }
    return stored;
  }

  /** @throws Refusal 409 where one of the drives stands in the journal */
  function refuseHappened(date: string, { fields }: Booking, drives: readonly string[]): void {
    const about = new Set(drives);
    const happened = dayCache.of(date).entries.some(({ entry }) => isAbout(entry, '', about));
    if (happened) throw refusalOf(fact('inTheJournal', {}, { name: fields.name }));
  }

  /** What a list is read against. */
  function situationOf(date: string, explained: readonly ListWord[] = []): ListSituation {
    if (!store.days.has(date)) throw notFound('eventDay', date);
    return {
      date,
      // What is said now holds over what was said before.
      words: [...explained, ...store.listWords.list()],
      cars: store.cars.list().map(({ id, fields: { name, number, lapPrice } }) => ({ id, name, number, lapPrice })),
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
