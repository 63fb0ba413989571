import { contract, type guestsEndpoints } from '@core/api';
import { dayBeforeOf, guestResult, type DayBefore } from '@core/people/coaching';
import { fact, DAY_ENDS_S } from '@core/values';
import { isAbout, journalEntry } from '@core/journal';
import * as z from 'zod';
import { notFound, refusalOf } from '../../base/refusal';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** Days before that are read for one guest. */
const MOST_DAYS = 12;

/** Guests who come back, and what is theirs: to be taken along, and to be erased. */
export function guestsRoutes({
  store,
  dayCache,
  hub,
  clock,
  manager,
  erasing,
}: Services): Handlers<typeof guestsEndpoints> {
  const before = (date: string, id: string): DayBefore[] => {
    const linked = new Set(store.guests.linked(id));
    return store.guests
      .alike(id, date)
      .filter((other) => !store.days.isPractice(other.date))
      .slice(0, MOST_DAYS)
      .flatMap((other) => {
        const { context } = dayCache.of(other.date);
        const state = dayCache.stateAt(other.date, DAY_ENDS_S);
        const result = guestResult(context, state, other.id, dayCache.vocabulary());
        return result ? [dayBeforeOf(other.date, result, linked.has(other.id))] : [];
      });
  };
  const bookingOf = (date: string, id: string) => {
    const booking = dayCache.of(date).bookings.find((one) => one.id === id);
    if (!booking) throw notFound('guest', id, date);
    return booking;
  };

  /** Bookings of the same person on all days. */
  const everywhere = (date: string, id: string) => {
    bookingOf(date, id);
    return [{ date, id }, ...store.guests.alike(id)];
  };
  return {
    readBefore: ({ params: { date, id } }) => {
      bookingOf(date, id);
      return { days: before(date, id) };
    },
    findGuests: ({ body: { query } }) => ({ guests: store.guests.find(query) }),
    linkGuests: ({ params: { date, id }, body: { other } }) => {
      bookingOf(date, id);
      if (!store.bookings.dateOf(other)) throw notFound('guest', other);
      if (other === id) throw refusalOf(fact('sameGuest', {}));
      store.guests.link(id, other, clock.recordedAt());
      return { days: before(date, id) };
    },
    unlinkGuests: ({ params: { date, id }, body: { other } }) => {
      bookingOf(date, id);
      store.guests.unlink(id, other);
      return { days: before(date, id) };
    },
    exportGuest: ({ params: { date, id }, request, response }) => {
      const booking = bookingOf(date, id);
      const { context, entries } = dayCache.of(date);
      const drives = new Set(booking.fields.drives.map((drive) => drive.id));
      const own = entries.filter(({ entry }) => isAbout(entry, id, drives));
      const result = guestResult(context, dayCache.stateAt(date), id, dayCache.vocabulary());
      const document = {
        booking: z.encode(contract.changeBooking.reply, booking),
        entries: own.map(({ entry }) => z.encode(journalEntry, entry)),
        today: result ? dayBeforeOf(date, result, false) : null,
        before: before(date, id),
        // Theirs as well, but to be handed out by the manager.
        pairings: manager.isOpen(request) ? store.manager.reasons(id) : undefined,
      };
      response.set('content-disposition', `attachment; filename="guest-${date}.json"`).json(document);
    },
    readErasure: ({ params: { date, id } }) => {
      const all = everywhere(date, id);
      return { days: all.map((one) => one.date).sort(), mentions: all.flatMap((one) => erasing.mentions(one)) };
    },
    eraseGuest: ({ params: { date, id }, body: { notes } }) => {
      const all = everywhere(date, id);
      erasing.erase(all, notes);
      for (const one of all) dayCache.forget(one.date);
      hub.changed('erased');
      return { erased: id };
    },
  };
}
