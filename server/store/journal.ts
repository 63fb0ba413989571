import { journalEntry, type JournalEntry, type RecordedEntry } from '@core/journal';
import { faultsOf } from '@core/values';
import * as z from 'zod';
import type { Db } from './database';

interface EntryRow {
  seq: number;
  id: string;
  recorded_at: string;
  document: string;
}

/** An entry that does not fit the schema (any more): it keeps its place and is read by nobody. */
export interface SetAside {
  readonly seq: number;
  readonly id: string;
  readonly recordedAt: string;
  readonly path: string;
  readonly message: string;
}

function recorded({ seq, recorded_at, document }: EntryRow): RecordedEntry | undefined {
  const entry = journalEntry.safeParse(JSON.parse(document)).data;
  return entry && { seq, recordedAt: recorded_at, entry };
}

function setAside({ seq, id, recorded_at, document }: EntryRow): SetAside {
  const [fault] = faultsOf(journalEntry.safeParse(JSON.parse(document)).error!);
  return { seq, id, recordedAt: recorded_at, ...fault! };
}

/** The journal of each day: appended to, read in order, never changed. */
export function journalStore(db: Db) {
  const since = db.prepare<[string, number], EntryRow>(
    'select seq, id, recorded_at, document from journal_entry where date = ? and seq > ? order by seq',
  );
  const byId = db.prepare<[string], EntryRow & { date: string }>(
    'select date, seq, id, recorded_at, document from journal_entry where id = ?',
  );
  const lastSeq = db.prepare<[string], { seq: number }>(
    'select coalesce(max(seq), 0) as seq from journal_entry where date = ?',
  );
  const lastRecorded = db.prepare<[], { at: string | null }>('select max(recorded_at) as at from journal_entry');
  const insert = db.prepare('insert into journal_entry (date, seq, id, recorded_at, document) values (?, ?, ?, ?, ?)');
  return {
    /** Entries with a sequence number above `seq`, in order. */
    since: (date: string, seq: number): RecordedEntry[] => since.all(date, seq).flatMap((row) => recorded(row) ?? []),
    /** The whole journal of a day, and of what cannot be read, why. */
    read: (date: string): { entries: RecordedEntry[]; unreadable: SetAside[] } => {
      const read = since.all(date, 0).map((row) => [row, recorded(row)] as const);
      return {
        entries: read.flatMap(([, entry]) => entry ?? []),
        unreadable: read.flatMap(([row, entry]) => (entry ? [] : [setAside(row)])),
      };
    },
    /** Real moment of the newest entry of all days. */
    lastRecordedAt: (): string | null => lastRecorded.get()!.at,
    lastSeq: (date: string): number => lastSeq.get(date)!.seq,
    /** The entry with this id, on whatever day it stands; `recorded` is missing where it cannot be read. */
    find: (id: string): { date: string; recorded: RecordedEntry | undefined } | undefined => {
      const row = byId.get(id);
      return row && { date: row.date, recorded: recorded(row) };
    },
    /** Appends with the next sequence number. The caller runs it in a transaction together with its check. */
    append: (date: string, entry: JournalEntry, recordedAt: string): RecordedEntry => {
      const seq = lastSeq.get(date)!.seq + 1;
      insert.run(date, seq, entry.id, recordedAt, JSON.stringify(z.encode(journalEntry, entry)));
      return { seq, recordedAt, entry };
    },
  };
}
