import { randomUUID } from 'node:crypto';
import { storedGroup, type StoredGroup, type groupsEndpoints } from '@core/api';
import { fact } from '@core/values';
import { notFound, refusalOf } from '../../base/refusal';
import type { Handlers } from '../mount';
import { stale } from '../records';
import { tellDay } from '../../services/tell-day';
import type { Services } from '../services';

/** Guests who go out together on a day. */
export function groupsRoutes({ store, dayCache, hub }: Services): Handlers<typeof groupsEndpoints> {
  const changed = (date: string) => {
    dayCache.forget(date);
    tellDay({ dayCache, hub }, date, 'bookings');
  };
  const present = (date: string, id: string): StoredGroup => {
    const stored = store.groups.get(date, id);
    if (!stored) throw notFound('group', id, date);
    return stored;
  };
  const staleGroup = (current: StoredGroup) =>
    stale({ kind: 'group', name: current.fields.name }, storedGroup, current);

  return {
    addGroup: ({ params: { date }, body }) => {
      dayCache.of(date);
      const stored = store.groups.add(date, randomUUID(), body);
      changed(date);
      return stored;
    },
    changeGroup: ({ params: { date, id }, body: { version, fields } }) => {
      const change = store.groups.change(date, id, version, fields);
      if (change.outcome === 'missing') throw notFound('group', id, date);
      if (change.outcome === 'stale') throw staleGroup(change.current);
      changed(date);
      return change.stored;
    },
    removeGroup: ({ params: { date, id }, body: { version } }) => {
      const stored = present(date, id);
      const happened = dayCache.of(date).entries.some(({ entry }) => 'group' in entry && entry.group === id);
      if (happened) throw refusalOf(fact('inTheJournal', {}, { name: stored.fields.name }));
      if (!store.groups.remove(date, id, version)) throw staleGroup(stored);
      changed(date);
      return { removed: stored.fields.name };
    },
  };
}
