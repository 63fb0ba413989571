import * as z from 'zod';
import { bookingFields } from '../venue/booking';
import { moneyAmount, text } from '../values';

/** A fault in one cell of a booking list. */
const cellFault = z.object({
  /** Header of the column, or empty where the whole row is meant. */
  column: z.string(),
  reason: z.string(),
});

/** What taking in a list would do with one of its rows. */
const listRow = z.object({
  /** Line of the file on which the row begins, the header being line 1. */
  line: z.number().int().min(1),
  /** By which the row finds its record again. */
  reference: z.string(),
  name: z.string(),
  /** `otherDay`: left out, as a row of another day. */
  outcome: z.enum(['added', 'changed', 'unchanged', 'faulty', 'otherDay']),
  /** Names of the fields that change. */
  changes: z.array(z.string()),
  faults: z.array(cellFault),
});

/** What the import would do with one booking. */
const importRow = listRow.extend({
  fields: bookingFields.optional(),
  /** Of a row of another day. */
  date: z.iso.date().optional(),
});
export type ImportRow = z.output<typeof importRow>;

/** What taking in a list would do. */
export const listPreview = z.object({
  delimiter: z.string(),
  decimalComma: z.boolean(),
  /** Columns of the file that the import does not know, named so that a typing error is seen. */
  unknownColumns: z.array(z.string()),
  /** Columns that a list needs and this one has not, or not by a name that is known; without them no row can be read. */
  missingColumns: z.array(z.string()),
  /** All columns that there are to choose from. */
  columns: z.array(z.string()),
  /** The first row that cannot be taken in, as it stands in the file, with the place of the cell that is at fault. */
  firstFault: z
    .object({
      line: z.number().int(),
      headers: z.array(z.string()),
      cells: z.array(z.string()),
      at: z.number().int(),
      reason: z.string(),
    })
    .nullable(),
  rows: z.array(listRow),
});
export type ListPreview = z.output<typeof listPreview>;

/** How many rows of a list were taken in, and how many not. */
export const listTaken = z.object({
  added: z.number().int(),
  changed: z.number().int(),
  unchanged: z.number().int(),
  faulty: z.number().int(),
});

/** What a word of the venue's lists means: a header, a language or a car that is called otherwise there. */
const listWord = z.strictObject({
  kind: z.enum(['column', 'language', 'car']),
  /** In small letters. */
  word: text(200).min(1),
  /** Header of a column, code of a language, id of a car. */
  means: z.string().min(1).max(64),
});
export type ListWord = z.output<typeof listWord>;

/** A list, and what of its words has been explained for it. */
export const bookingListBody = z.strictObject({ csv: z.string(), words: z.array(listWord).max(500).optional() });

/** A car that the list books and the fleet has not, as the list calls it. */
const unknownCar = z.object({
  name: z.string(),
  rows: z.number().int(),
  /** What a lap in it costs by the list, where it tells. */
  lapPrice: moneyAmount.optional(),
  /** Id of the car that it may be a misspelling of. */
  nearest: z.string().optional(),
});

export const importPreview = listPreview.extend({
  /** Languages that nobody knows by this name. */
  unknownLanguages: z.array(z.object({ name: z.string(), rows: z.number().int() })),
  /** Cars of the fleet without a price, and what a lap in them costs by the list. */
  prices: z.array(z.object({ car: z.string(), name: z.string(), lapPrice: moneyAmount })),
  /** Cars that could be created from the list. */
  unknownCars: z.array(unknownCar),
  rows: z.array(importRow),
});
export type ImportPreview = z.output<typeof importPreview>;
