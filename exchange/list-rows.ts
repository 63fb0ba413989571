import type { ImportPreview, ImportRow } from '@core/api';
import type { Fault } from '@core/values';
import Papa from 'papaparse';

export interface ListLine {
  readonly line: number;
  readonly cells: readonly string[];
}

/** The lines of a CSV list; delimiter recognised, a byte order mark skipped, empty lines left out. */
export function parseLines(csv: string): { lines: ListLine[]; delimiter: string; faults: Fault[] } {
  const text = csv.replace(/^\uFEFF/, '');
  const lines: ListLine[] = [];
  const faults: Fault[] = [];
  let delimiter = ',';
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    delimitersToGuess: [';', ',', '\t', '|'],
    step: ({ data, errors, meta }) => {
      delimiter = meta.delimiter;
      // A single column leaves nothing to recognise a delimiter by; that is no fault of the row.
      for (const error of errors.filter(({ type }) => type !== 'Delimiter')) {
        faults.push({ path: `line ${line}`, message: `quotes do not match (${error.message})` });
      }
      if (data.some((cell) => cell.trim() !== ''))
        lines.push({ line, cells: data.map((cell) => unguarded(cell.trim())) });
      line += text.slice(from, meta.cursor).split(/\r\n|\n|\r/).length - 1;
      from = meta.cursor;
    },
  });
  return { lines, delimiter, faults };
}

/** A cell that begins like a formula goes out with a mark before it, for spreadsheets; it comes in without. */
const unguarded = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** Decimal commas are in use where a number cell ends in a comma and digits that no thousands could be. */
export function usesDecimalComma(
  headers: readonly string[],
  lines: readonly ListLine[],
  numbers: readonly string[],
): boolean {
  return lines.some(({ cells }) =>
    cells.some((cell, place) => numbers.includes(headers[place] ?? '') && /^[\d.\s]*\d,(\d{1,2}|\d{4,})$/.test(cell)),
  );
}

/** A number as people write it; nothing where it is none. */
export function numberIn(cell: string, decimalComma: boolean): number | undefined {
  const plain = cell.replace(/[\s'\u00a0\u202f]/g, '');
  const point = decimalComma ? plain.replace(/\./g, '').replace(',', '.') : plain.replace(/,/g, '');
  return /^-?\d+(\.\d+)?$/.test(point) ? Number(point) : undefined;
}

/** What is wrong with a list that lacks columns which it needs; none where it has them all. */
export function missingColumnFaults({ missingColumns }: Pick<ImportPreview, 'missingColumns'>): Fault[] {
  return missingColumns.map((name) => ({ path: 'line 1', message: `the column "${name}" is missing` }));
}

/** The first row that cannot be taken in, with the cell at fault; a fault of the whole row has none. */
export function firstFaultOf(
  rows: readonly ImportRow[],
  names: readonly string[],
  placeOf: (column: string) => number,
  lines: readonly ListLine[],
): ImportPreview['firstFault'] {
  const row = rows.find(({ outcome }) => outcome === 'faulty');
  if (!row) return null;
  const { column, reason } = row.faults[0]!;
  const cells = lines.find(({ line }) => line === row.line)!.cells;
  return { line: row.line, headers: [...names], cells: [...cells], at: placeOf(column), reason };
}
