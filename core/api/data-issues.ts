import * as z from 'zod';
import { factOf, type Fact } from '../values';

/** Where something stored is put right. */
const dataIssuePlace = z.enum([
  'rules',
  'cars',
  'crew',
  'bookings',
  'groups',
  'circuit',
  'roster',
  'board',
  'journal',
  'devices',
]);
export type DataIssuePlace = z.output<typeof dataIssuePlace>;

/** What is at fault in what a day is made from, and what was done about it. */
export type DataIssueFact =
  /** Something of a stored record, or the whole of it where `whole`. */
  | Fact<'leftOut', { id?: string | undefined; name?: string | undefined }, { place: DataIssuePlace; whole: boolean }>
  /** The newest plan; `shown` is the one before it that can be read, 0 for none. */
  | Fact<'planUnreadable', object, { revision: number; shown: number }>
  | Fact<'entryUnreadable', object, { seq: number }>
  | Fact<'closingBeforeOpening', { entry: string }, { by: string; closesS: number; opensS: number }>
  /** Something that only shows where the day is put together. */
  | Fact<'dayLeftOut'>
  | Fact<'dayUnreadable'>
  // Whether the server can be believed
  /** Its clock stands before what was written already; `lastAt` is a real moment. */
  | Fact<'clockSetBack', object, { lastAt: string }>
  /** Its clock is ahead (or behind, where negative) by those of the phones. */
  | Fact<'clockOff', object, { aheadMin: number; devices: number }>
  /** A phone knows entries and bookings that it does not. */
  | Fact<'knownByPhone', { phone: string }, { count: number }>;

export const dataIssue = z.object({
  place: dataIssuePlace,
  fact: factOf<DataIssueFact>(),
  /** Where in the document, and what was expected there. */
  path: z.string(),
  message: z.string(),
  /** An entry of the journal that can be taken back. */
  entry: z.string().optional(),
});
export type DataIssue = z.output<typeof dataIssue>;
