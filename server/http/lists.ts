import { fact, type Fault } from '@core/values';
import { missingColumnFaults } from '@exchange/list-rows';
import type * as z from 'zod';
import { refusalOf, type Refusal } from '../base/refusal';
import type { RecordListRead } from '@exchange/record-list';
import type { RecordsRead } from '../workers/import/record-lists';
import type { Db } from '../store/database';
import type { Change, Stored } from '../store/documents';

interface Table<T> {
  readonly add: (id: string, fields: T) => Stored<T> | undefined;
  readonly change: (id: string, version: number, fields: T) => Change<T>;
}

/** @throws Refusal 422 where a list cannot be read at all */
export function readable(read: RecordsRead): RecordListRead {
  if (!('faults' in read)) return read;
  throw unreadable(read.faults);
}

/** The refusal of a list that cannot be read as a whole. */
export function unreadable(faults: readonly Fault[]): Refusal {
  return refusalOf(fact('unreadableList', {}, { why: faults[0]!.message }), { faults });
}

/**
 * Stores the good rows of a list, all or none.
 *
 * @throws Refusal 422 where a column is missing, 409 where somebody has changed a record meanwhile
 */
export function takeInList<S extends z.ZodType>(
  db: Db,
  { preview, records }: RecordListRead,
  schema: S,
  table: Table<z.output<S>>,
) {
  const faults = missingColumnFaults(preview);
  if (faults.length > 0) throw unreadable(faults);
  db.transaction(() => {
    for (const { id, version, fields } of records) {
      const read = schema.parse(fields);
      const stored =
        version === undefined ? table.add(id, read) : table.change(id, version, read).outcome === 'changed';
      if (!stored) throw refusalOf(fact('keepsChanging', {}));
    }
  }).immediate();
  const count = (outcome: string) => preview.rows.filter((row) => row.outcome === outcome).length;
  return {
    added: count('added'),
    changed: count('changed'),
    unchanged: count('unchanged'),
    faulty: count('faulty'),
  };
}
