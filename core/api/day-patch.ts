import { guest, planFile } from '../day';
import * as z from 'zod';
import { daySummary, type DayView, type dayView } from './day-view';
import { planRevision } from './planning';
import { booking } from './setup';

const listPatch = <T extends z.ZodType>(item: T) =>
  z.object({
    /** Those that are new or have changed; new ones come last. */
    put: z.array(item),
    gone: z.array(z.string()),
  });

/** What has changed in a day, for those who know the rest of it. What is missing has not changed. */
export const dayPatch = z.object({
  summary: daySummary,
  bookings: listPatch(booking).optional(),
  guests: listPatch(guest).optional(),
  accepted: z.object({ plan: planFile, revision: planRevision }).optional(),
});
export type DayPatch = z.output<typeof dayPatch>;
/** The same as it travels. */
export type WrittenPatch = z.input<typeof dayPatch>;

/** A day as it travels, without what is told otherwise. */
export type WrittenDay = Omit<z.input<typeof dayView>, 'journal' | 'clock' | 'dataIssues'>;

/** How a day became another one; nothing where more has changed than a patch can say. Both as they travel. */
export function patchBetween(
  before: WrittenDay,
  after: WrittenDay,
  summary: z.input<typeof daySummary>,
): WrittenPatch | undefined {
  const bookings = listChanges(before.bookings, after.bookings);
  const guests = listChanges(before.day.guests, after.day.guests);
  if (!bookings || !guests || !same(rest(before), rest(after))) return undefined;
  const { plan, revision } = after;
  const planned = !same([before.plan, before.revision], [plan, revision]);
  if (planned && !(plan && revision)) return undefined;
  return {
    summary,
    ...(touches(bookings) && { bookings }),
    ...(touches(guests) && { guests }),
    ...(planned && plan && revision && { accepted: { plan, revision } }),
  };
}

/** A day with a patch. */
export function patched(view: DayView, { bookings, guests, accepted }: DayPatch): DayView {
  return {
    ...view,
    ...(bookings && { bookings: listWith(view.bookings, bookings) }),
    ...(guests && { day: { ...view.day, guests: listWith(view.day.guests, guests) } }),
    ...accepted,
  };
}

interface ListPatch<T> {
  readonly put: T[];
  readonly gone: string[];
}

const touches = ({ put, gone }: ListPatch<unknown>) => put.length + gone.length > 0;
const same = (some: unknown, others: unknown) => JSON.stringify(some) === JSON.stringify(others);

function rest({ bookings: _, plan: _plan, revision: _revision, day, ...view }: WrittenDay) {
  return { ...view, day: { ...day, guests: undefined } };
}

/** Nothing where the order has changed as well. */
function listChanges<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): ListPatch<T> | undefined {
  const known = new Map(before.map((item) => [item.id, JSON.stringify(item)]));
  const kept = new Set(after.map(({ id }) => id));
  const changes = {
    put: after.filter((item) => known.get(item.id) !== JSON.stringify(item)),
    gone: before.flatMap(({ id }) => (kept.has(id) ? [] : [id])),
  };
  const ids = (items: readonly T[]) => items.map(({ id }) => id);
  return same(ids(listWith(before, changes)), ids(after)) ? changes : undefined;
}

function listWith<T extends { readonly id: string }>(items: readonly T[], { put, gone }: ListPatch<T>): T[] {
  const fresh = new Map(put.map((item) => [item.id, item]));
  const left = new Set(gone);
  const kept = items.filter(({ id }) => !left.has(id)).map((item) => fresh.get(item.id) ?? item);
  const known = new Set(items.map(({ id }) => id));
  return [...kept, ...put.filter(({ id }) => !known.has(id))];
}
