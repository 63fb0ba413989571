import * as z from 'zod';
import { conflict, notFound } from '../problems';
import type { Change, Stored } from '../store/documents';

interface Table<T> {
  readonly add: (id: string, fields: T) => Stored<T> | undefined;
  readonly change: (id: string, version: number, fields: T) => Change<T>;
}

/**
 * Adding and changing what stands in a table of documents: an id that is taken and a version that is stale are refused,
 * with what stands now.
 *
 * @param what names a record for the person at the screen
 */
export function recordDesk<T extends { readonly id: string }>(
  table: Table<T>,
  what: (id: string) => string,
  schema: z.ZodType<Stored<T>>,
  changed: () => void,
) {
  return {
    add: (fields: T): Stored<T> => {
      const stored = table.add(fields.id, fields);
      if (!stored) throw conflict(`There is a ${what(fields.id).replace(' "', ' with the id "')} already.`);
      changed();
      return stored;
    },
    change: (id: string, version: number, fields: T): Stored<T> => {
      const change = table.change(id, version, { ...fields, id });
      if (change.outcome === 'missing') throw notFound(what(id));
      if (change.outcome === 'stale') {
        throw stale('name' in fields ? String(fields.name) : what(id), schema, change.current);
      }
      changed();
      return change.stored;
    },
  };
}

/** @param current what stands now */
export function stale<T>(what: string, schema: z.ZodType<T>, current: T) {
  return conflict(
    `Somebody else has changed ${what} meanwhile. Nothing of yours is saved yet.`,
    z.encode(schema, current),
  );
}
