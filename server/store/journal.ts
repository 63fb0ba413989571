import { journalEntry, type JournalEntry, type RecordedEntry } from '@core/journal';
import * as z from 'zod';
import type { Db } from '../database';

interface EntryRow {
  seq: number;
  recorded_at: string;
  document: string;
}

const recorded = ({ seq, recorded_at, document }: EntryRow): RecordedEntry => ({
  seq,
  recordedAt: recorded_at,
  entry: journalEntry.parse(JSON.parse(document)),
});

/** The journal of each day: appended to, read in order, never changed. */
export function journalStore(db: Db) {
  const since = db.prepare<[string, number], EntryRow>(
    'select seq, recorded_at, document from journal_entry where date = ? and seq > ? order by seq',
  );
  const byId = db.prepare<[string], EntryRow & { date: string }>(
    'select date, seq, recorded_at, document from journal_entry where id = ?',
  );
  const lastSeq = db.prepare<[string], { seq: number }>(
    'select coalesce(max(seq), 0) as seq from journal_entry where date = ?',
  );
  const insert = db.prepare('insert into journal_entry (date, seq, id, recorded_at, document) values (?, ?, ?, ?, ?)');
  return {
    /** Entries with a sequence number above `seq`, in order. */
    since: (date: string, seq: number): RecordedEntry[] => since.all(date, seq).map(recorded),
    lastSeq: (date: string): number => lastSeq.get(date)!.seq,
    /** The entry with this id, on whatever day it stands. */
    find: (id: string): { date: string; recorded: RecordedEntry } | undefined => {
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
