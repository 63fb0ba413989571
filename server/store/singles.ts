import { storedShow, type StoredCircuit, type StoredShow } from '@core/api';
import { circuitFile } from '@core/track/circuit/at-start';
import { type Circuit } from '@core/track/circuit';
import { ORDINARY_SHOW, type ShowFields } from '@core/people/classroom';
import type * as z from 'zod';
import type { Db } from './database';
import { documentCodec } from './documents';

/** Tables that hold one document each. Version 0 stands for one that has never been saved. */
function singleTable<S extends z.ZodType>(db: Db, table: 'circuit' | 'show', schema: S, fallback?: z.output<S>) {
  const codec = documentCodec(schema, fallback);
  const read = db.prepare<[], { version: number; document: string }>(
    `select version, document from ${table} where id = 1`,
  );
  const insert = db.prepare(`insert into ${table} (id, version, document) values (1, 1, ?)`);
  const update = db.prepare(`update ${table} set version = version + 1, document = ? where id = 1 and version = ?`);
  const readAll = () => {
    const row = read.get();
    return { version: row?.version ?? 0, ...codec.readAll(row ? [{ id: table, ...row }] : []) };
  };
  return {
    readAll,
    /** False where the version is stale. */
    change: db.transaction((version: number, fields: z.output<S>): boolean => {
      const document = codec.write(fields);
      if (read.get()) return update.run(document, version).changes > 0;
      if (version !== 0) return false;
      insert.run(document);
      return true;
    }),
  };
}

export function circuitStore(db: Db) {
  const table = singleTable(db, 'circuit', circuitFile);
  const get = (): StoredCircuit => {
    const { version, good } = table.readAll();
    return { version, circuit: good[0]?.fields ?? null };
  };
  return {
    get,
    readAll: table.readAll,
    /** Nothing where the version is stale. */
    change: (version: number, circuit: Circuit): StoredCircuit | undefined =>
      table.change(version, circuit) ? get() : undefined,
  };
}

export function showStore(db: Db) {
  const table = singleTable(db, 'show', storedShow.shape.fields, ORDINARY_SHOW);
  const get = (): StoredShow => {
    const { version, good } = table.readAll();
    return { version, fields: good[0]?.fields ?? ORDINARY_SHOW };
  };
  return {
    get,
    /** Nothing where the version is stale. */
    change: (version: number, fields: ShowFields): StoredShow | undefined =>
      table.change(version, fields) ? get() : undefined,
  };
}
