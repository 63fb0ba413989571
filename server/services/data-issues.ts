import type { DataIssue, DataIssuePlace } from '@core/api';
import { fact, lenientParse } from '@core/values';
import { dayFile, type Day } from '@core/day';
import type { Unfit } from '@core/journal';
import type { Store } from '../store';
import type { RowFault } from '../store/documents';
import type { SetAside } from '../store/journal';
import { NEW_VENUE } from '../base/new-venue';
import * as z from 'zod';

/** What is wrong with what a day is made from, each with its place and what puts it right. */
export function storedIssues(store: Store, date: string): DataIssue[] {
  const of = (place: DataIssuePlace, faults: readonly RowFault[]) =>
    faults.map(({ id, name, path, message, setAside }): DataIssue => ({
      ...{ place, path, message },
      fact: fact('leftOut', { id, name }, { place, whole: setAside }),
    }));
  return [
    ...of('rules', store.venue.readAll().faults),
    ...of('cars', store.cars.readAll().faults),
    ...of('crew', store.instructors.readAll().faults),
    ...of('bookings', store.bookings.readAll(date).faults),
    ...of('groups', store.groups.readAll(date).faults),
    ...of('roster', store.roster.readBetween(date, date).faults),
    ...of('circuit', store.circuit.readAll().faults),
    ...planIssue(store, date),
  ];
}

function planIssue(store: Store, date: string): DataIssue[] {
  const revision = store.days.lastNumber(date);
  const shown = store.days.currentPlan(date)?.revision.revision ?? 0;
  if (revision === shown) return [];
  const what = fact('planUnreadable', {}, { revision, shown });
  return [{ place: 'board', fact: what, path: `plans.${revision}`, message: 'not in the form of a plan' }];
}

export function entryIssues(unreadable: readonly SetAside[], unfit: readonly Unfit[]): DataIssue[] {
  return [
    ...unreadable.map(({ seq, path, message }): DataIssue => ({
      ...{ place: 'journal', path: `journal[${seq}].${path}`, message },
      fact: fact('entryUnreadable', {}, { seq }),
    })),
    ...unfit.map(({ entry, why }): DataIssue => ({
      ...{ place: 'journal', path: `journal.${entry.id}`, message: 'does not fit to what is set up' },
      fact: fact('closingBeforeOpening', { entry: entry.id }, { by: entry.by, ...why.values }),
      entry: entry.id,
    })),
  ];
}

/** The day as it can be planned and shown, whatever stood in the tables, and what had to be left out for it. */
export function soundDay(assembled: Day): { day: Day; dataIssues: DataIssue[] } {
  const { opens, closes, timeZone, condition, circuit, rules, name: venue } = NEW_VENUE;
  const check = (day: unknown) => {
    const encoded = z.safeEncode(dayFile, day as Day);
    return encoded.success ? { success: true as const, data: day as Day } : encoded;
  };
  const fallback = { ...assembled, opens, closes, timeZone, condition, circuit, rules, venue };
  const read = lenientParse<Day>(assembled, check, fallback);
  if (!read)
    return { day: { ...fallback, cars: [], instructors: [], sightingVehicles: [], guests: [] }, dataIssues: [lost] };
  return {
    day: read.value,
    dataIssues: read.faults.map(({ path, message }) => {
      return { place: placeOf(path), fact: fact('dayLeftOut', {}), path, message };
    }),
  };
}

const lost: DataIssue = {
  ...{ place: 'rules', path: '(day)', message: 'not in the form of a day' },
  fact: fact('dayUnreadable', {}),
};

function placeOf(path: string): DataIssuePlace {
  const [first = ''] = path.split(/[.[]/);
  const places: Record<string, DataIssuePlace> = { cars: 'cars', instructors: 'crew', guests: 'bookings' };
  return places[first] ?? 'rules';
}
