import type { ImportRow, ListPreview } from '@core/api';
import { faultsOf, valueAt, windowsOf, windowsText, withValues, type Json } from '@core/values';
import Papa from 'papaparse';
import type * as z from 'zod';
import { firstFaultOf, numberIn, parseLines, usesDecimalComma } from './list-rows';

/** A column of a list of records: where its value lies in the encoded record, and how a cell writes it. */
export interface RecordColumn {
  readonly header: string;
  /** What it is called elsewhere, with commas, in small letters. */
  readonly also?: string;
  readonly required?: boolean;
  /** An empty cell clears the field; else it leaves it as it is. */
  readonly optional?: boolean;
  readonly path: string;
  readonly kind: 'text' | 'number' | 'yes' | 'windows' | 'words';
  /** What a word of the list is in the record; others stay as they are. */
  readonly means?: (word: string) => string | undefined;
  /** How a value of the record is written in the list. */
  readonly says?: (value: string) => string;
  /** The word for everything, where there is one: it stands alone in the place of a list. */
  readonly all?: string;
}

export interface RecordList<S extends z.ZodType> {
  readonly columns: readonly RecordColumn[];
  readonly schema: S;
  /** Header of the column by which a row finds its record again. */
  readonly key: string;
  /** A record of which nothing but its key is known yet, encoded; asked once for each new row, in order. */
  readonly fresh: (row: Json) => Json;
  /** What has been changed by the list, as it is to be stored. */
  readonly changed?: (before: Json, after: Json) => Json;
}

/** A record that a list brings in: new, or in the place of the one with its id. */
interface ReadRecord {
  readonly id: string;
  /** Nothing where it is new. */
  readonly version: number | undefined;
  /** Encoded. */
  readonly fields: Json;
}

export interface RecordListRead {
  readonly preview: ListPreview;
  readonly records: readonly ReadRecord[];
}

interface StoredRecord {
  readonly id: string;
  readonly version: number;
  /** Encoded. */
  readonly fields: Json;
}

/**
 * Reads a CSV list of records, row by row: an empty cell clears a field that may be empty, a column that is missing leaves it
 * as it is, and a row finds its record by its key. A file that cannot be read at all gives its faults in place of rows.
 */
export function readRecordList<S extends z.ZodType>(
  csv: string,
  list: RecordList<S>,
  stored: readonly StoredRecord[],
): RecordListRead | { readonly faults: readonly { readonly path: string; readonly message: string }[] } {
  const { lines, delimiter, faults } = parseLines(csv);
  if (faults.length > 0) return { faults };
  const [header, ...body] = lines;
  if (!header) return { faults: [{ path: '(file)', message: 'the list is empty' }] };
  const columns = header.cells.map((name) => columnOf(list.columns, name));
  const headers = columns.map((column) => column?.header ?? '');
  const twice = headers.find((name, place) => name !== '' && headers.indexOf(name) !== place);
  if (twice) return { faults: [{ path: 'line 1', message: `the column "${twice}" stands twice` }] };
  const missing = list.columns.filter(({ required, header: name }) => required && !headers.includes(name));
  const numbers = list.columns.flatMap(({ kind, header: name }) => (kind === 'number' ? [name] : []));
  const decimalComma = usesDecimalComma(headers, body, numbers);
  const keyColumn = list.columns.find(({ header: name }) => name === list.key)!;
  const byKey = new Map(stored.map((one) => [keyOf(valueAt(one.fields, keyColumn.path)), one]));
  const seen = new Set<string>();
  const records: ReadRecord[] = [];
  const rows = (missing.length > 0 ? [] : body).map(({ line, cells }): ImportRow => {
    const row = readCells(columns, cells, decimalComma);
    const key = keyOf(valueAt(row.values, keyColumn.path));
    const known = byKey.get(key);
    const name = valueAt(row.values, 'name') ?? known?.fields['name'];
    const named = { line, reference: key, name: typeof name === 'string' ? name : '' };
    const faulty = (more: ImportRow['faults']): ImportRow => ({
      ...named,
      outcome: 'faulty',
      changes: [],
      faults: more,
    });
    if (seen.has(key)) return faulty([{ column: list.key, reason: 'stands twice in the list' }]);
    if (row.faults.length > 0) return faulty(row.faults);
    seen.add(key);
    const before = known?.fields ?? list.fresh(row.values);
    const after = withValues(before, row.entries);
    const checked = list.schema.safeParse(after);
    if (!checked.success) {
      return faulty(
        faultsOf(checked.error).map(({ path, message }) => ({ column: headerAt(list.columns, path), reason: message })),
      );
    }
    const changes = known
      ? list.columns.filter(({ path }) => !isSame(valueAt(before, path), valueAt(after, path)))
      : [];
    if (known && changes.length === 0) return { ...named, outcome: 'unchanged', changes: [], faults: [] };
    records.push({
      id: String(after['id']),
      version: known?.version,
      fields: list.changed?.(before, after) ?? after,
    });
    return {
      ...named,
      outcome: known ? 'changed' : 'added',
      changes: changes.map(({ header: name }) => name),
      faults: [],
    };
  });
  return {
    preview: {
      delimiter,
      decimalComma,
      unknownColumns: header.cells.filter((name, place) => name.trim() !== '' && !columns[place]),
      missingColumns: missing.map(({ header: name }) => name),
      columns: list.columns.map(({ header: name }) => name),
      firstFault: firstFaultOf(rows, header.cells, (column) => headers.indexOf(column), body),
      rows,
    },
    records,
  };
}

/** The records as such a list, which comes in again as it went out. */
export function writeRecordList(columns: readonly RecordColumn[], records: readonly Json[]): string {
  const rows = records.map((record) => columns.map((column) => cellOf(column, valueAt(record, column.path))));
  return `\uFEFF${Papa.unparse([columns.map(({ header }) => header), ...rows], { delimiter: ';', escapeFormulae: true })}\r\n`;
}

const normal = (header: string): string =>
  header
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ');

function columnOf(columns: readonly RecordColumn[], name: string): RecordColumn | undefined {
  const wanted = normal(name);
  return columns.find(({ header, also = '' }) => header === wanted || also.split(', ').includes(wanted));
}

const keyOf = (value: unknown): string =>
  String((value as string | number | undefined) ?? '')
    .trim()
    .toLowerCase();
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function headerAt(columns: readonly RecordColumn[], path: string): string {
  const column = columns.find(
    (one) => path === one.path || path.startsWith(`${one.path}[`) || path.startsWith(`${one.path}.`),
  );
  return column?.header ?? path;
}

function readCells(
  columns: readonly (RecordColumn | undefined)[],
  cells: readonly string[],
  decimalComma: boolean,
): { values: Json; entries: { path: string; value: unknown }[]; faults: ImportRow['faults'] } {
  const faults: ImportRow['faults'] = [];
  if (cells.length > columns.length) {
    faults.push({ column: '', reason: `has ${cells.length} cells, the header ${columns.length}` });
  }
  const entries: { path: string; value: unknown }[] = [];
  columns.forEach((column, place) => {
    const cell = cells[place] ?? '';
    if (!column) return;
    if (cell === '') {
      if (column.required) faults.push({ column: column.header, reason: 'is empty' });
      else if (column.optional) entries.push({ path: column.path, value: undefined });
      return;
    }
    const read = valueIn(column, cell, decimalComma);
    if ('reason' in read) faults.push({ column: column.header, reason: read.reason });
    else entries.push({ path: column.path, value: read.value });
  });
  return {
    values: withValues(
      {},
      entries.filter(({ value }) => value !== undefined),
    ),
    entries,
    faults,
  };
}

function valueIn(
  { kind, means, all }: RecordColumn,
  cell: string,
  decimalComma: boolean,
): { readonly value: unknown } | { readonly reason: string } {
  switch (kind) {
    case 'text':
      return { value: means ? (means(cell) ?? cell) : cell };
    case 'number': {
      const value = numberIn(cell, decimalComma);
      return value === undefined ? { reason: `expected a number, got "${cell}"` } : { value };
    }
    case 'yes':
      if (/^(yes|y|true|1|x|ja|oui|si|sí)$/i.test(cell)) return { value: true };
      return /^(no|n|false|0|-|nein|non|nee)$/i.test(cell)
        ? { value: false }
        : { reason: `expected yes or no, got "${cell}"` };
    case 'windows':
      return { value: windowsOf(cell) };
    case 'words': {
      if (all !== undefined && cell.toLowerCase() === all) return { value: all };
      const words = cell.split(/[,;/+]+/).map((word) => word.trim());
      const unknown = means ? words.filter((word) => means(word) === undefined) : [];
      if (unknown.length > 0) return { reason: `not known: "${unknown.join('", "')}"` };
      return { value: words.map((word) => means?.(word) ?? word) };
    }
  }
}

const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

function cellOf({ kind, says = (value) => value }: RecordColumn, value: unknown): string {
  if (value === undefined || value === null) return '';
  if (kind === 'yes') return value === true ? 'yes' : 'no';
  if (kind === 'windows') return windowsText(value);
  if (Array.isArray(value)) return value.map((one: unknown) => says(textOf(one))).join(', ');
  return kind === 'text' ? says(textOf(value)) : textOf(value);
}
