import { isDeepStrictEqual } from 'node:util';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { contract, storedRosterEntry, type RosterPreview, type StoredRosterEntry } from '@core/api';
import { linkFault, VOCABULARY, type FaultEntry } from '@core/coaching';
import { dateAfter, type RosterEntry } from '@core/crew';
import { rosterIcal } from '@exchange/roster-ical';
import { conflict, notFound, Refusal } from '../problems';
import { readingThread } from '../reading/thread';
import type { Services } from '../services';
import { download } from './download';
import { mount } from './mount';
import { recordDesk, stale } from './records';

/** How far ahead the roster is read. */
const ROSTER_DAYS = 42;
const TRIES = 10;
const TRIES_WITHIN_MS = 10 * 60_000;

/** Roster, vocabulary, and what is between the manager and the crew. */
export function crewRoutes({ store, room, hub, manager }: Services): Router {
  const router = Router();
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };

  mount(router, contract.listFaults, () => ({ faults: store.faults.list() }));
  const faults = recordDesk(store.faults, (id) => `fault "${id}"`, contract.addFault.reply, changed);
  const linked = (entry: FaultEntry): FaultEntry => {
    const wrong = linkFault(entry, room.vocabulary());
    if (wrong) throw new Refusal(422, 'Faulty link', wrong, { faults: [{ path: 'from', message: wrong }] });
    return entry;
  };
  mount(router, contract.addFault, ({ body }) => faults.add(linked(body)));
  mount(router, contract.changeFault, ({ params: { id }, body: { version, fields } }) =>
    faults.change(id, version, linked({ ...fields, id })),
  );
  mount(router, contract.removeFault, ({ params: { id } }) => {
    if (!VOCABULARY.some((entry) => entry.id === id)) {
      throw conflict('Marks may name this fault, and nothing else explains it: take it out of use instead.');
    }
    if (!store.faults.remove(id)) throw notFound(`own words for the fault "${id}"`);
    changed();
    return { removed: id };
  });

  const seenBy = (open: boolean) => (entry: RosterEntry) => (open ? entry : { ...entry, reason: undefined });
  const storedSeenBy =
    (open: boolean) =>
    ({ version, fields }: StoredRosterEntry): StoredRosterEntry => ({ version, fields: seenBy(open)(fields) });
  mount(router, contract.readRoster, ({ params: { date }, response: { req } }) => ({
    entries: store.roster.between(date, dateAfter(date, ROSTER_DAYS - 1)).map(storedSeenBy(manager.isOpen(req))),
  }));
  mount(router, contract.putRosterEntry, ({ params: { id }, body: { version, fields }, response: { req } }) => {
    if (!store.instructors.get(fields.instructor)) throw notFound(`instructor "${fields.instructor}"`);
    const open = manager.isOpen(req);
    const shown = storedSeenBy(open);
    const current = store.roster.get(id);
    // Who may not read a reason may not lose it either.
    const reason = open ? fields.reason : current?.fields.reason;
    const entry = { ...fields, id, reason };
    if (current && isDeepStrictEqual(entry, { reason: undefined, ...current.fields })) return shown(current);
    if (!current && version > 0) throw notFound('such entry of the roster any more');
    if (current && current.version !== version) {
      throw stale('this entry of the roster', storedRosterEntry, shown(current));
    }
    const stored = store.roster.put(entry);
    changed();
    return shown(stored);
  });
  mount(router, contract.removeRosterEntry, ({ params: { id } }) => {
    if (!store.roster.remove(id)) throw notFound('such entry of the roster');
    changed();
    return { removed: id };
  });
  const crew = () => store.instructors.list().map(({ fields }) => fields);
  const preview = async (text: string): Promise<RosterPreview> => {
    const context = { crew: crew(), timeZone: store.venue.get()!.fields.timeZone };
    const read = await readingThread.read({ kind: 'roster', text, context });
    if (!read.ok) throw new Refusal(422, 'No calendar', read.reason);
    const known = new Map(store.roster.all().map(({ fields }) => [fields.id, fields]));
    const kept = read.entries.map((entry) => ({ ...entry, reason: known.get(entry.id)?.reason }));
    const isSame = (entry: RosterEntry) => isDeepStrictEqual(entry, { reason: undefined, ...known.get(entry.id) });
    return {
      added: kept.filter(({ id }) => !known.has(id)),
      changed: kept.filter((entry) => known.has(entry.id) && !isSame(entry)),
      unchanged: kept.filter((entry) => known.has(entry.id) && isSame(entry)).length,
      cancelled: goneFrom(read, [...known.keys()]),
      faults: [...read.faults],
    };
  };
  const shown = (found: RosterPreview, open: boolean): RosterPreview => ({
    ...found,
    added: found.added.map(seenBy(open)),
    changed: found.changed.map(seenBy(open)),
  });
  mount(router, contract.previewRoster, async ({ body: { ical }, response: { req } }) =>
    shown(await preview(ical), manager.isOpen(req)),
  );
  mount(router, contract.importRoster, async ({ body: { ical }, response: { req } }) => {
    const found = await preview(ical);
    store.db
      .transaction(() => {
        for (const entry of [...found.added, ...found.changed]) store.roster.put(entry);
        for (const id of found.cancelled) store.roster.remove(id);
      })
      .immediate();
    changed();
    return shown(found, manager.isOpen(req));
  });
  router.get(['/api/roster.ics', '/api/instructors/:id/roster.ics'], ({ params }, response) => {
    const { id } = params as { id?: string };
    if (id !== undefined && !store.instructors.get(id)) throw notFound(`instructor "${id}"`);
    const all = store.roster.all().map(({ fields }) => fields);
    const entries = all.filter(({ instructor }) => id === undefined || instructor === id);
    const { name, timeZone } = store.venue.get()!.fields;
    download(response, 'text/calendar', 'roster.ics', rosterIcal(entries, { crew: crew(), timeZone, venue: name }));
  });

  mount(router, contract.readManager, ({ response: { req } }) => manager.door(req));
  mount(router, contract.setManagerCode, ({ body: { code }, response }) => manager.setCode(response, code));
  router.use(
    contract.openManager.path,
    rateLimit({
      limit: TRIES,
      windowMs: TRIES_WITHIN_MS,
      skipSuccessfulRequests: true,
      handler: (_request, _response, next) =>
        next(new Refusal(429, 'Too many tries', 'Too many wrong codes: try again in ten minutes.')),
    }),
  );
  mount(router, contract.openManager, ({ body: { code }, response }) => manager.open(response, code));
  mount(router, contract.closeManager, ({ response }) => manager.close(response));

  const bookingOf = (date: string, id: string) => {
    if (!store.bookings.get(date, id)) throw notFound(`guest "${id}" on ${date}`);
  };
  mount(router, contract.readPairings, ({ params: { date, id }, response: { req } }) => {
    manager.mustBeOpen(req);
    bookingOf(date, id);
    return { reasons: store.manager.reasons(id) };
  });
  mount(router, contract.changePairings, ({ params: { date, id }, body: { reasons }, response: { req } }) => {
    manager.mustBeOpen(req);
    bookingOf(date, id);
    store.manager.changeReasons(id, reasons);
    return { reasons: store.manager.reasons(id) };
  });
  mount(router, contract.readTeaching, ({ params: { id }, response: { req } }) => {
    manager.mustBeOpen(req);
    if (!store.instructors.get(id)) throw notFound(`instructor "${id}"`);
    const drives = room.teachingUpToNow();
    return { own: drives.filter(({ instructor }) => instructor === id), crew: drives };
  });
  return router;
}

/**
 * Entries of the roster that came from the events of a calendar before and are not in it any more: a series of which times
 * were moved, an event that is cancelled.
 */
function goneFrom(
  { entries, known }: { readonly entries: readonly RosterEntry[]; readonly known: readonly string[] },
  stored: readonly string[],
): string[] {
  const [there, events] = [new Set(entries.map(({ id }) => id)), new Set(known)];
  const eventOf = (id: string) => (events.has(id) ? id : id.replace(/ \d{4}-\d{2}-\d{2}( \d+)?$/, ''));
  return stored.filter((id) => !there.has(id) && events.has(eventOf(id)));
}
