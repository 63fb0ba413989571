import { lenientParse, type Fault } from '@core/values';
import * as z from 'zod';
import type { Db } from './database';

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

/** What is wrong with a stored document, which an older or a damaged database may hold. */
export interface RowFault extends Fault {
  readonly id: string;
  /** What it is called, where that can be read. */
  readonly name: string | undefined;
  /** The document as a whole is passed over; otherwise all but this place is used. */
  readonly setAside: boolean;
}

/** Stored documents as far as they can be read. */
export interface ReadRows<T> {
  readonly good: Stored<T>[];
  readonly faults: RowFault[];
}

/**
 * Reads rows whose document is checked by a schema, and writes documents in their encoded form. A document that does not
 * fit its schema is read as far as it goes; it is never what ends a request.
 *
 * @param fallback what stands in for what cannot be read; without it, a document that lacks something is set aside
 */
export function documentCodec<S extends z.ZodType>(schema: S, fallback?: z.output<S>) {
  const check = (document: unknown) => schema.safeParse(document) as z.ZodSafeParseResult<z.output<S>>;
  const instead = fallback === undefined ? {} : z.encode(schema, fallback);
  const readRow = ({ id, version, document }: DocumentRow): ReadRows<z.output<S>> => {
    const stored: unknown = JSON.parse(document);
    const read = lenientParse(stored, check, instead);
    const name = nameOf(stored);
    if (!read) {
      const [fault] = check(stored).error!.issues;
      const path = fault!.path.map(String).join('.') || '(document)';
      return { good: [], faults: [{ id, name, path, message: fault!.message, setAside: true }] };
    }
    return {
      good: [{ id, version, fields: read.value }],
      faults: read.faults.map((fault) => ({ ...fault, id, name, setAside: false })),
    };
  };
  return {
    /** Nothing where the document is too far from its schema. */
    read: (row: DocumentRow): Stored<z.output<S>> | undefined => readRow(row).good[0],
    readAll: (rows: readonly DocumentRow[]): ReadRows<z.output<S>> => {
      const all = rows.map(readRow);
      return { good: all.flatMap(({ good }) => good), faults: all.flatMap(({ faults }) => faults) };
    },
    write: (fields: z.output<S>): string => JSON.stringify(z.encode(schema, fields)),
  };
}

function nameOf(document: unknown): string | undefined {
  const { name } = Object(document) as { name?: unknown };
  return typeof name === 'string' ? name : undefined;
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
  const replace = db.prepare(`update ${table} set version = version + 1, document = ? where id = ?`);
  const remove = db.prepare(`delete from ${table} where id = ?`);
  const get = (id: string): Stored<z.output<S>> | undefined => {
    const row = one.get(id);
    return row && codec.read(row);
  };
  const readAll = (): ReadRows<z.output<S>> => codec.readAll(all.all());
  return {
    list: (): Stored<z.output<S>>[] => readAll().good,
    readAll,
    get,
    /** Nothing where the id is taken; one that cannot be read is replaced. */
    add: db.transaction((id: string, fields: z.output<S>): Stored<z.output<S>> | undefined => {
      if (get(id)) return undefined;
      if (one.get(id)) replace.run(codec.write(fields), id);
      else insert.run(id, codec.write(fields));
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
