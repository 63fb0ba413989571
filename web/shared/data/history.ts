import { wallClock } from '@core/values';
import type { JournalEntry, RecordedEntry } from '@core/journal';
import { PLAIN_WORDS } from './screen-words';

/** One entry as it is told, with who took it back where somebody did. */
export interface HistoryEntry {
  readonly id: string;
  readonly at: string;
  readonly words: string;
  readonly by: string;
  readonly takenBackBy: string | undefined;
}

/** The entries about something up to a time of the day, in the order in which they happened. */
export function historyOf(
  entries: readonly RecordedEntry[],
  untilS: number,
  isAbout: (entry: JournalEntry) => boolean,
): HistoryEntry[] {
  const takenBack = new Map(
    entries.flatMap(({ entry }) => (entry.kind === 'correction' ? [[entry.corrects, entry.by] as const] : [])),
  );
  return entries
    .map(({ entry }) => entry)
    .filter((entry) => entry.at <= untilS && isAbout(entry))
    .sort((a, b) => a.at - b.at)
    .map((entry) => ({
      id: entry.id,
      at: wallClock(entry.at),
      words: PLAIN_WORDS.entry(entry),
      by: entry.by,
      takenBackBy: takenBack.get(entry.id),
    }));
}
