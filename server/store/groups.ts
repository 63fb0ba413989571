import { groupFields, type GroupFields } from '@core/programmes';
import type { Db } from './database';
import { documentCodec, type Change, type DocumentRow, type ReadRows, type Stored } from './documents';

/** The groups of each event day. */
export function groupStore(db: Db) {
  const codec = documentCodec(groupFields);
  const ofDay = db.prepare<[string], DocumentRow>(
    'select id, version, document from day_group where date = ? order by rowid',
  );
  const one = db.prepare<[string, string], DocumentRow>(
    'select id, version, document from day_group where date = ? and id = ?',
  );
  const insert = db.prepare('insert into day_group (id, date, version, document) values (?, ?, 1, ?)');
  const update = db.prepare(
    'update day_group set version = version + 1, document = ? where date = ? and id = ? and version = ?',
  );
  const remove = db.prepare('delete from day_group where date = ? and id = ? and version = ?');
  const readAll = (date: string): ReadRows<GroupFields> => codec.readAll(ofDay.all(date));
  const get = (date: string, id: string): Stored<GroupFields> | undefined => {
    const row = one.get(date, id);
    return row && codec.read(row);
  };
  return {
    list: (date: string): Stored<GroupFields>[] => readAll(date).good,
    readAll,
    get,
    add: (date: string, id: string, fields: GroupFields): Stored<GroupFields> => {
      insert.run(id, date, codec.write(fields));
      return get(date, id)!;
    },
    change: (date: string, id: string, version: number, fields: GroupFields): Change<GroupFields> => {
      const changed = update.run(codec.write(fields), date, id, version).changes > 0;
      const current = get(date, id);
      if (!current) return { outcome: 'missing' };
      return changed ? { outcome: 'changed', stored: current } : { outcome: 'stale', current };
    },
    /** False where there is no such group at this version. */
    remove: (date: string, id: string, version: number): boolean => remove.run(date, id, version).changes > 0,
  };
}
