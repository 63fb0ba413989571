import type { NamedThing, RecordName } from '@core/api';
import { fact } from '@core/values';
import * as z from 'zod';
import { notFound, refusalOf, type Refusal } from '../base/refusal';
import type { Change, Stored } from '../store/documents';

interface Table<T> {
  readonly add: (id: string, fields: T) => Stored<T> | undefined;
  readonly change: (id: string, version: number, fields: T) => Change<T>;
}

/**
 * Adding and changing what stands in a table of documents: an id that is taken and a version that is stale are refused,
 * with what stands now.
 */
export function recordHandlers<T extends { readonly id: string }>(
  table: Table<T>,
  kind: NamedThing,
  schema: z.ZodType<Stored<T>>,
  changed: () => void,
) {
  return {
    add: (fields: T): Stored<T> => {
      const stored = table.add(fields.id, fields);
      if (!stored) throw refusalOf(fact('idTaken', { id: fields.id }, { kind }));
      changed();
      return stored;
    },
    change: (id: string, version: number, fields: T): Stored<T> => {
      const change = table.change(id, version, { ...fields, id });
      if (change.outcome === 'missing') throw notFound(kind, id);
      if (change.outcome === 'stale') {
        throw stale({ kind, name: 'name' in fields ? String(fields.name) : id }, schema, change.current);
      }
      changed();
      return change.stored;
    },
  };
}

/** @param current what stands now */
export function stale<T>(what: RecordName, schema: z.ZodType<T>, current: T): Refusal {
  return refusalOf(fact('changedMeanwhile', {}, { what }), { current: z.encode(schema, current) });
}
