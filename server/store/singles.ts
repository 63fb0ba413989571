import { storedShow, type StoredCircuit, type StoredShow } from '@core/api';
import { circuitFile, type Circuit } from '@core/circuit';
import { ORDINARY_SHOW, type ShowFields } from '@core/classroom';
import * as z from 'zod';
import type { Db } from '../database';

/** Tables that hold one document each. Version 0 stands for one that has never been saved. */
function singleTable<S extends z.ZodType>(db: Db, table: 'circuit' | 'show', schema: S) {
  const read = db.prepare<[], { version: number; document: string }>(
    `select version, document from ${table} where id = 1`,
  );
  const insert = db.prepare(`insert into ${table} (id, version, document) values (1, 1, ?)`);
  const update = db.prepare(`update ${table} set version = version + 1, document = ? where id = 1 and version = ?`);
  const get = () => {
    const row = read.get();
    return row && { version: row.version, fields: schema.parse(JSON.parse(row.document)) as z.output<S> };
  };
  return {
    get,
    /** False where the version is stale. */
    change: db.transaction((version: number, fields: z.output<S>): boolean => {
      const document = JSON.stringify(z.encode(schema, fields));
      if (get()) return update.run(document, version).changes > 0;
      if (version !== 0) return false;
      insert.run(document);
      return true;
    }),
  };
}

export function circuitStore(db: Db) {
  const table = singleTable(db, 'circuit', circuitFile);
  const get = (): StoredCircuit => {
    const stored = table.get();
    return { version: stored?.version ?? 0, circuit: stored?.fields ?? null };
  };
  return {
    get,
    /** Nothing where the version is stale. */
    change: (version: number, circuit: Circuit): StoredCircuit | undefined =>
      table.change(version, circuit) ? get() : undefined,
  };
}

export function showStore(db: Db) {
  const table = singleTable(db, 'show', storedShow.shape.fields);
  const get = (): StoredShow => table.get() ?? { version: 0, fields: ORDINARY_SHOW };
  return {
    get,
    /** Nothing where the version is stale. */
    change: (version: number, fields: ShowFields): StoredShow | undefined =>
      table.change(version, fields) ? get() : undefined,
  };
}
