import * as z from 'zod';
import { carsSchemas } from './cars';
import { classesSchemas } from './classes';
import { crewSchemas } from './crew';
import { daySchemas } from './day';
import { drivesSchemas } from './drives';
import { exercisesSchemas } from './exercises';
import { flagsSchemas } from './flags';
import { garageSchemas } from './garage';
import { groupsSchemas } from './groups';
import { guestsSchemas } from './guests';
import { lapsSchemas } from './laps';
import { situationSchemas } from './situation';

/** The schema of each kind of entry; a kind stands in the file of its family. */
export const ENTRY_SCHEMAS = {
  ...guestsSchemas,
  ...classesSchemas,
  ...drivesSchemas,
  ...lapsSchemas,
  ...carsSchemas,
  ...garageSchemas,
  ...crewSchemas,
  ...situationSchemas,
  ...flagsSchemas,
  ...groupsSchemas,
  ...exercisesSchemas,
  ...daySchemas,
};
type EntrySchema = (typeof ENTRY_SCHEMAS)[keyof typeof ENTRY_SCHEMAS];

/**
 * What happened, one entry each. The client gives the id, so that sending an entry twice does nothing twice; `at` is the
 * venue's time of the event day at which it happened, past 24:00 where the day runs past midnight; `by` is who says so.
 */
export const journalEntry = z.discriminatedUnion(
  'kind',
  Object.values(ENTRY_SCHEMAS) as [EntrySchema, ...EntrySchema[]],
);

/** An entry inside the core: times in seconds since midnight. */
export type JournalEntry = z.output<typeof journalEntry>;
export type EntryKind = JournalEntry['kind'];
export type EntryOf<K extends EntryKind> = Extract<JournalEntry, { kind: K }>;

/** An entry that the server has appended. */
export const recordedEntry = z.object({
  /** Place in the day's journal, from 1 without gaps. */
  seq: z.number().int().min(1),
  recordedAt: z.iso.datetime(),
  entry: journalEntry,
});
export type RecordedEntry = z.output<typeof recordedEntry>;
