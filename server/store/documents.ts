import * as z from 'zod';
import type { Db } from '../database';

/** A thing that is set up: its id, the version by which two editors are told of each other, and its fields. */
export interface Stored<T> {
  readonly id: string;
  readonly version: number;
  readonly fields: T;
}

/** What came of a change. `stale`: somebody else has changed it since; `current` is what stands now. */
export type Change<T> =
  | { readonly outcome: 'changed'; readonly stored: Stored<T> }
  | { readonly outcome: 'stale'; readonly current: Stored<T> }
  | { readonly outcome: 'missing' };

export interface DocumentRow {
  id: string;
  version: number;
  document: string;
}

/** Reads rows whose document is checked by a schema, and writes documents in their encoded form. */
export function documentCodec<S extends z.ZodType>(schema: S) {
  return {
    read: ({ id, version, document }: DocumentRow): Stored<z.output<S>> => ({
      id,
      version,
      fields: schema.parse(JSON.parse(document)),
    }),
    write: (fields: z.output<S>): string => JSON.stringify(z.encode(schema, fields)),
  };
}

/** Small tables of documents in the order in which they were added: the fleet, the crew, the venue's own faults. */
export function documentTable<S extends z.ZodType>(db: Db, table: 'car' | 'instructor' | 'fault', schema: S) {
  const codec = documentCodec(schema);
  const all = db.prepare<[], DocumentRow>(`select id, version, document from ${table} order by position, id`);
  const one = db.prepare<[string], DocumentRow>(`select id, version, document from ${table} where id = ?`);
  const insert = db.prepare(
    `insert into ${table} (id, position, version, document)
     values (?, (select coalesce(max(position), 0) + 1 from ${table}), 1, ?)`,
  );
  const update = db.prepare(`update ${table} set version = version + 1, document = ? where id = ? and version = ?`);
  const remove = db.prepare(`delete from ${table} where id = ?`);
  const get = (id: string): Stored<z.output<S>> | undefined => {
    const row = one.get(id);
    return row && codec.read(row);
  };
  return {
    list: (): Stored<z.output<S>>[] => all.all().map(codec.read),
    get,
    /** Nothing where the id is taken. */
    add: db.transaction((id: string, fields: z.output<S>): Stored<z.output<S>> | undefined => {
      if (one.get(id)) return undefined;
      insert.run(id, codec.write(fields));
      return get(id);
    }),
    /** False where there is none. */
    remove: (id: string): boolean => remove.run(id).changes > 0,
    change: db.transaction((id: string, version: number, fields: z.output<S>): Change<z.output<S>> => {
      const current = get(id);
      if (!current) return { outcome: 'missing' };
      if (update.run(codec.write(fields), id, version).changes === 0) return { outcome: 'stale', current };
      return { outcome: 'changed', stored: get(id)! };
    }),
  };
}
