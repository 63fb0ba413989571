import * as z from 'zod';
import { bookingFields } from '../booking';

/** A fault in one cell of a booking list. */
export const cellFault = z.object({
  /** Header of the column, or empty where the whole row is meant. */
  column: z.string(),
  reason: z.string(),
});

/** What the import would do with one row. */
export const importRow = z.object({
  /** Line of the file on which the row begins, the header being line 1. */
  line: z.number().int().min(1),
  reference: z.string(),
  name: z.string(),
  outcome: z.enum(['added', 'changed', 'unchanged', 'faulty']),
  /** Names of the fields that change. */
  changes: z.array(z.string()),
  faults: z.array(cellFault),
  fields: bookingFields.optional(),
});
export type ImportRow = z.output<typeof importRow>;

/** A car that the list books and the fleet has not, as the list calls it. */
export const unknownCar = z.object({ name: z.string(), rows: z.number().int() });
export type UnknownCar = z.output<typeof unknownCar>;

export const importPreview = z.object({
  delimiter: z.string(),
  decimalComma: z.boolean(),
  /** Columns of the file that the import does not know, named so that a typing error is seen. */
  unknownColumns: z.array(z.string()),
  /** Cars that could be created from the list. */
  unknownCars: z.array(unknownCar),
  rows: z.array(importRow),
});
export type ImportPreview = z.output<typeof importPreview>;
