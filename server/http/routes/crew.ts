import { isDeepStrictEqual } from 'node:util';
import type { Response } from 'express';
import {
  storedInstructor,
  storedRosterEntry,
  type RosterPreview,
  type StoredRosterEntry,
  type crewEndpoints,
} from '@core/api';
import { dateAfter, instructorFields } from '@core/people/crew/at-start';
import { type RosterEntry } from '@core/people/crew';
import { fact, type Json } from '@core/values';
import { crewColumns } from '@exchange/crew-list';
import { writeRecordList } from '@exchange/record-list';
import { rosterIcal } from '@exchange/roster-ical';
import * as z from 'zod';
import { notFound, refusalOf } from '../../base/refusal';
import { importThread } from '../../workers/import/thread';
import { download } from '../download';
import { readable, takeInList } from '../lists';
import { recordHandlers, stale } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** How far ahead the roster is read. */
const ROSTER_DAYS = 42;

/** Instructors and their roster. */
export function crewRoutes({ store, dayCache, hub, manager }: Services): Handlers<typeof crewEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const instructors = recordHandlers(store.instructors, 'instructor', storedInstructor, changed);
  const seenBy = (open: boolean) => (entry: RosterEntry) => (open ? entry : { ...entry, reason: undefined });
  const storedSeenBy =
    (open: boolean) =>
    ({ version, fields }: StoredRosterEntry): StoredRosterEntry => ({ version, fields: seenBy(open)(fields) });
  const crew = () => store.instructors.list().map(({ fields }) => fields);
  const preview = async (text: string): Promise<RosterPreview> => {
    const context = { crew: crew(), timeZone: store.venue.get()!.fields.timeZone };
    const read = await importThread.read({ kind: 'roster', text, context });
    if (!read.ok) throw refusalOf(fact('noCalendar', {}, { why: read.reason }));
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
  const calendar = (response: Response, id?: string) => {
    const all = store.roster.all().map(({ fields }) => fields);
    const entries = all.filter(({ instructor }) => id === undefined || instructor === id);
    const { name, timeZone } = store.venue.get()!.fields;
    download(response, 'text/calendar', 'roster.ics', rosterIcal(entries, { crew: crew(), timeZone, venue: name }));
  };
  const cars = () => store.cars.list().map(({ id, fields: { name, number } }) => ({ id, name, number }));
  const readList = (text: string) => {
    const stored = store.instructors.list();
    return importThread.read({ kind: 'crew', text, stored, cars: cars(), venue: store.venue.get()!.fields });
  };
  return {
    exportCrew: ({ response }) => {
      const people = store.instructors.list().map(({ fields }) => z.encode(instructorFields, fields) as Json);
      download(response, 'text/csv', 'crew.csv', writeRecordList(crewColumns(cars()), people));
    },
    previewCrew: async ({ body: { csv } }) => readable(await readList(csv)).preview,
    importCrew: async ({ body: { csv } }) => {
      const taken = takeInList(store.db, readable(await readList(csv)), instructorFields, store.instructors);
      changed();
      return taken;
    },
    listInstructors: () => ({ instructors: store.instructors.list() }),
    addInstructor: ({ body }) => instructors.add(body),
    changeInstructor: ({ params: { id }, body: { version, fields } }) => instructors.change(id, version, fields),
    readRoster: ({ params: { date }, request }) => ({
      entries: store.roster.between(date, dateAfter(date, ROSTER_DAYS - 1)).map(storedSeenBy(manager.isOpen(request))),
    }),
    putRosterEntry: ({ params: { id }, body: { version, fields }, request }) => {
      if (!store.instructors.get(fields.instructor)) throw notFound('instructor', fields.instructor);
      const open = manager.isOpen(request);
      const shown = storedSeenBy(open);
      const current = store.roster.get(id);
      // Who may not read a reason may not lose it either.
      const reason = open ? fields.reason : current?.fields.reason;
      const entry = { ...fields, id, reason };
      if (current && isDeepStrictEqual(entry, { reason: undefined, ...current.fields })) return shown(current);
      if (!current && version > 0) throw notFound('rosterEntry');
      if (current && current.version !== version) {
        throw stale({ kind: 'rosterEntry' }, storedRosterEntry, shown(current));
      }
      const stored = store.roster.put(entry);
      changed();
      return shown(stored);
    },
    removeRosterEntry: ({ params: { id } }) => {
      if (!store.roster.remove(id)) throw notFound('rosterEntry');
      changed();
      return { removed: id };
    },
    previewRoster: async ({ body: { ical }, request }) => shown(await preview(ical), manager.isOpen(request)),
    importRoster: async ({ body: { ical }, request }) => {
      const found = await preview(ical);
      store.db
        .transaction(() => {
          for (const entry of [...found.added, ...found.changed]) store.roster.put(entry);
          for (const id of found.cancelled) store.roster.remove(id);
        })
        .immediate();
      changed();
      return shown(found, manager.isOpen(request));
    },
    rosterCalendar: ({ response }) => calendar(response),
    instructorCalendar: ({ params: { id }, response }) => {
      if (!store.instructors.get(id)) throw notFound('instructor', id);
      calendar(response, id);
    },
  };
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
