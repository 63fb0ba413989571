import { bookingFields, type BookingFields } from '@core/venue/booking';
import type { Booking, ImportPreview, ImportRow } from '@core/api';
import { dateIn, dateOrderOf, faultsOf, wallClock, type DateOrder, type Fault, median } from '@core/values';
import { MOST_GUESTS_A_DAY } from '@core/day';
import * as z from 'zod';
import { firstFaultOf, numberIn, parseLines, usesDecimalComma, type ListLine } from './list-rows';
import {
  BOOKING_COLUMNS,
  carAndLaps,
  CellError,
  columnOf,
  DATE_COLUMN,
  givenFirst,
  lapsIn,
  nearestCar,
  type BookingNames,
  type CellContext,
} from './booking-columns';

export interface BookingListContext extends BookingNames {
  /** The day that the list is read for: rows of others are left out. */
  readonly date: string;
  /** The bookings that the day has already. */
  readonly bookings: readonly Booking[];
}

export type BookingList =
  | { readonly ok: true; readonly preview: ImportPreview }
  /** The file as a whole can't be read. */
  | { readonly ok: false; readonly faults: readonly Fault[] };

const NUMBER_HEADERS = ['height cm', 'weight kg', 'price', 'paid'];

/**
 * Reads a CSV booking list and says, row by row, what importing it would do. Delimiter and decimal comma are recognised;
 * a byte order mark is skipped. A cell that is empty clears its field, a column that is missing leaves it as it is.
 */
export function readBookingList(csv: string, context: BookingListContext): BookingList {
  const { lines, delimiter, faults } = parseLines(csv);
  if (faults.length > 0) return { ok: false, faults };
  const [header, ...body] = lines;
  if (!header) return { ok: false, faults: [{ path: '(file)', message: 'the list is empty' }] };
  const headers = header.cells.map((name) => columnOf(name, context.words));
  const missing = BOOKING_COLUMNS.filter((column) => column.required && !isThere(column, headers));
  const twice = headers.filter((name, place) => name !== '' && headers.indexOf(name) !== place);
  if (twice.length > 0) {
    return {
      ok: false,
      faults: twice.map((name) => ({ path: 'line 1', message: `the column "${name}" stands twice` })),
    };
  }
  const decimalComma = usesDecimalComma(headers, body, NUMBER_HEADERS);
  const days = daysOf(headers, body);
  const otherDay = (row: ListLine) => {
    const date = days.get(row);
    return date === context.date || date === UNREADABLE ? undefined : date;
  };
  const own = body.filter((row) => otherDay(row) === undefined).length;
  if (own > MOST_GUESTS_A_DAY) {
    const message = `the list has ${own} rows${own < body.length ? ' of this day' : ''}, and a day holds ${MOST_GUESTS_A_DAY} guests at most`;
    return { ok: false, faults: [{ path: '(file)', message }] };
  }
  const stored = new Map(context.bookings.map((booking) => [booking.fields.reference, booking]));
  const firstLine = new Map<string, number>();
  const unknown = { cars: new Map<string, number>(), languages: new Map<string, number>() };
  const dateOrder = dateOrderOf(cellsUnder('birthday', headers, body));
  // Without the columns that it needs, no row says anything.
  const read = (missing.length > 0 ? [] : body).map((row): ImportRow => {
    const date = otherDay(row);
    if (date !== undefined) {
      const name = givenFirst(row.cells[headers.indexOf('name')] ?? '');
      return { line: row.line, reference: '', name, outcome: 'otherDay', changes: [], faults: [], date };
    }
    const at = { names: header.cells, headers, decimalComma, dateOrder, context, stored };
    const { named, ...one } = readRow(row, { ...at, day: days.get(row) });
    for (const of of ['cars', 'languages'] as const) {
      for (const word of named[of]) unknown[of].set(word, (unknown[of].get(word) ?? 0) + 1);
    }
    const before = firstLine.get(one.reference);
    if (one.reference !== '' && before === undefined) firstLine.set(one.reference, row.line);
    if (before === undefined) return one;
    const fault = {
      column: header.cells[headers.indexOf('reference')] ?? 'reference',
      reason: `stands twice in the list, first on line ${before}`,
    };
    return { ...one, outcome: 'faulty' as const, fields: undefined, changes: [], faults: [...one.faults, fault] };
  });
  const prices = lapPrices(headers, body, decimalComma);
  return {
    ok: true,
    preview: {
      delimiter,
      decimalComma,
      unknownColumns: header.cells.filter(
        (name, place) => name.trim() !== '' && !KNOWN_HEADERS.includes(headers[place]!),
      ),
      missingColumns: missing.map((column) => column.header),
      columns: KNOWN_HEADERS,
      unknownCars: [...unknown.cars].map(([name, rows]) => {
        const lapPrice = prices.get(name.toLowerCase());
        const nearest = nearestCar(name, context.cars);
        return { name, rows, ...(lapPrice !== undefined && { lapPrice }), ...(nearest !== undefined && { nearest }) };
      }),
      unknownLanguages: [...unknown.languages].map(([name, rows]) => ({ name, rows })),
      prices: context.cars.flatMap(({ id, name, lapPrice }) => {
        const byList = prices.get(name.toLowerCase());
        return lapPrice === undefined && byList !== undefined ? [{ car: id, name, lapPrice: byList }] : [];
      }),
      firstFault: firstFaultOf(read, header.cells, (column) => header.cells.indexOf(column), body),
      rows: read,
    },
  };
}

const UNREADABLE = '';

/** Of which day each row is, where the list tells. */
function daysOf(headers: readonly string[], body: readonly ListLine[]): ReadonlyMap<ListLine, string> {
  const place = headers.indexOf(DATE_COLUMN);
  if (place < 0) return new Map();
  const order = dateOrderOf(cellsUnder(DATE_COLUMN, headers, body));
  const filled = body.filter(({ cells }) => cells[place]);
  return new Map(filled.map((row) => [row, dateIn(row.cells[place]!, order) ?? UNREADABLE]));
}

function cellsUnder(header: string, headers: readonly string[], body: readonly ListLine[]): string[] {
  const place = headers.indexOf(header);
  return place < 0 ? [] : body.flatMap(({ cells }) => cells[place] ?? []);
}

/** What a lap costs by the rows that book one car alone, the median of each; by the car's name in small letters. */
function lapPrices(
  headers: readonly string[],
  body: readonly ListLine[],
  decimalComma: boolean,
): ReadonlyMap<string, number> {
  const found = new Map<string, number[]>();
  for (const { cells } of body) {
    const cellOf = (header: string) => cells[headers.indexOf(header)] ?? '';
    const inOne = headers.includes('drives') ? carAndLaps(cellOf('drives')) : undefined;
    const { car, laps } = inOne ?? { car: cellOf('car'), laps: lapsIn(cellOf('laps')) };
    const price = numberIn(cellOf('price'), decimalComma);
    if (!car || /[+/]/.test(car) || !laps || !price || price < 0) continue;
    const name = car.trim().toLowerCase();
    found.set(name, [...(found.get(name) ?? []), price / laps]);
  }
  return new Map([...found].map(([name, prices]) => [name, Math.round(median(prices) * 100) / 100]));
}

/** A drive may stand in two columns, where each guest has one. */
const PARTS_OF_DRIVES = ['car', 'laps'] as const;
const KNOWN_HEADERS = [...BOOKING_COLUMNS.map((column) => column.header), ...PARTS_OF_DRIVES, DATE_COLUMN];

/** Whether a list has what a column needs, in one way or another. */
function isThere({ field, header }: (typeof BOOKING_COLUMNS)[number], headers: readonly string[]): boolean {
  if (headers.includes(header) || field === 'reference') return true;
  return field === 'drives' && PARTS_OF_DRIVES.every((part) => headers.includes(part));
}

/** The cell of a column; nothing where the list does not have it. */
function cellFor(
  column: (typeof BOOKING_COLUMNS)[number],
  headers: readonly string[],
  cellOf: (header: string) => string,
): string | undefined {
  if (headers.includes(column.header)) return cellOf(column.header);
  if (!isThere(column, headers)) return undefined;
  const [car, laps] = PARTS_OF_DRIVES.map(cellOf);
  const read = lapsIn(laps ?? '');
  if (car && read === undefined) {
    throw new CellError(laps ? `expected laps such as 6 or "6 laps", got "${laps}"` : 'is empty', {}, 'laps');
  }
  return car ? `${car} x${read}` : '';
}

/** By it a row of a list without references finds its booking again: whose it is, and when they come. */
function madeReference(name: string, arrives: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return `${plain.slice(0, 30)}-${arrives.replace(/\D/g, '').padStart(4, '0')}`;
}

function readRow(
  { line, cells }: ListLine,
  {
    names,
    headers,
    decimalComma,
    dateOrder,
    context,
    stored: known,
    day,
  }: {
    /** The headers as the list writes them. */
    readonly names: readonly string[];
    readonly headers: readonly string[];
    readonly decimalComma: boolean;
    readonly dateOrder: DateOrder;
    readonly context: BookingListContext;
    /** The bookings of the day, by reference. */
    readonly stored: ReadonlyMap<string, Booking>;
    /** Of which day the row is by the list; nothing where it does not tell. */
    readonly day: string | undefined;
  },
): ImportRow & { readonly named: { readonly cars: readonly string[]; readonly languages: readonly string[] } } {
  const cellOf = (header: string) => cells[headers.indexOf(header)] ?? '';
  /** What the list itself calls a column; drives in two columns are told by the car. */
  const ownName = (header: string) =>
    names[headers.indexOf(header === 'drives' && !headers.includes('drives') ? 'car' : header)] ?? header;
  const reference = headers.includes('reference')
    ? cellOf('reference')
    : madeReference(givenFirst(cellOf('name')), cellOf('arrives'));
  const named = { cars: [] as string[], languages: [] as string[] };
  const stored = known.get(reference);
  const cellContext: CellContext = {
    ...context,
    decimalComma,
    dateOrder,
    reference,
    driveIds: stored?.fields.drives.map(({ id }) => id) ?? [],
  };
  const faults: ImportRow['faults'] = [];
  if (day === UNREADABLE) {
    const reason = `expected a date such as 2027-05-22 or 22.5.2027, got "${cellOf(DATE_COLUMN)}"`;
    faults.push({ column: ownName(DATE_COLUMN), reason });
  }
  const values: Record<string, unknown> = stored ? { ...stored.fields } : {};
  if (cells.length > headers.length)
    faults.push({ column: '', reason: `has ${cells.length} cells, the header ${headers.length}` });
  for (const column of BOOKING_COLUMNS) {
    let cell: string | undefined;
    try {
      cell = column.field === 'reference' ? reference : cellFor(column, headers, cellOf);
      if (cell === undefined && stored) continue;
      values[column.field] = cell ? column.read(cell, cellContext) : column.empty;
    } catch (error) {
      if (!(error instanceof CellError)) throw error;
      named.cars.push(...(error.unknown.cars ?? []));
      named.languages.push(...(error.unknown.languages ?? []));
      faults.push({ column: ownName(error.part ?? column.header), reason: error.message });
      values[column.field] = undefined;
      continue;
    }
    if (column.required && !cell) faults.push({ column: ownName(column.header), reason: 'is empty' });
  }
  if (stored) keepMadeByHand(values, stored.fields);
  const row = { line, reference, name: givenFirst(cellOf('name')) };
  const checked = faults.length === 0 ? checkFields(values) : undefined;
  if (!checked?.fields)
    return {
      ...row,
      named,
      outcome: 'faulty',
      changes: [],
      faults: [
        ...faults,
        ...(checked?.faults ?? []).map(({ column, reason }) => ({ column: ownName(column), reason })),
      ],
    };
  const changes = stored ? changedFields(stored.fields, checked.fields) : [];
  const outcome = !stored ? 'added' : changes.length > 0 ? 'changed' : 'unchanged';
  return { ...row, named, outcome, changes, faults: [], fields: checked.fields };
}

/** A gearbox or a pin that was set for one drive by hand is no column of the list and stays. */
function keepMadeByHand(values: Record<string, unknown>, stored: BookingFields): void {
  const drives = values['drives'] as BookingFields['drives'] | undefined;
  values['drives'] = drives?.map((drive) => {
    const { gearbox, pin, ride } = stored.drives.find(({ id }) => id === drive.id) ?? {};
    return { ...drive, ...(gearbox && { gearbox }), ...(pin && { pin }), ...(ride && !drive.ride && { ride }) };
  });
}

function checkFields(values: Record<string, unknown>): { fields?: BookingFields; faults: ImportRow['faults'] } {
  const wire = { ...values };
  for (const key of ['arrives', 'leavesBy']) {
    if (typeof wire[key] === 'number') wire[key] = wallClock(wire[key]);
  }
  const result = bookingFields.safeParse(wire);
  if (result.success) return { fields: result.data, faults: [] };
  return {
    faults: faultsOf(result.error).map(({ path, message }) => ({
      column: BOOKING_COLUMNS.find(({ field }) => path.split(/[.[]/)[0] === field)?.header ?? path,
      reason: message,
    })),
  };
}

/** Headers of the columns whose field differs, compared as they travel. */
function changedFields(before: BookingFields, after: BookingFields): string[] {
  const [a, b] = [before, after].map((fields) => z.encode(bookingFields, fields) as Record<string, unknown>);
  return BOOKING_COLUMNS.filter(({ field }) => JSON.stringify(a![field]) !== JSON.stringify(b![field])).map(
    ({ header }) => header,
  );
}
