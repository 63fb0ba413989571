import type { JournalEntry } from './entry';

/** Put where words were that somebody had the right to have erased. */
export const ERASED_WORDS = 'erased';

/** Free words that somebody may have entered about a guest, by the field in which they stand. */
const WORDS = ['reason', 'note', 'text', 'what', 'followUp', 'account', 'good'] as const;

/**
 * An entry without the words and names of a guest; nothing where it holds none of them. What was counted stays: laps,
 * times, who drove which car are needed by others and say nothing of a person once the name is gone.
 *
 * @param isOwn whether a drive is the guest's
 * @param name of the guest, taken out of whatever others have written
 */
export function withoutWords(
  entry: JournalEntry,
  guest: string,
  isOwn: (drive: string) => boolean,
  name: string,
): JournalEntry | undefined {
  const own = ('drive' in entry && isOwn(entry.drive)) || ('guest' in entry && entry.guest === guest);
  const fields: Record<string, unknown> = { ...entry };
  let changed = false;
  for (const field of WORDS) {
    const words = fields[field];
    if (typeof words !== 'string') continue;
    // Why a drive was broken off is one of a few words, and tells nothing.
    const isFree = !(entry.kind === 'brokenOff' && field === 'reason') && !(field === 'good');
    const erased = own && isFree && PRIVATE.has(entry.kind) ? ERASED_WORDS : words.replaceAll(name, ERASED_WORDS);
    if (erased === words) continue;
    fields[field] = erased;
    changed = true;
  }
  return changed ? (fields as unknown as JournalEntry) : undefined;
}

/** Entries whose free words are about the guest. */
const PRIVATE: ReadonlySet<JournalEntry['kind']> = new Set(['driveMarked', 'brokenOff', 'guestUnwell', 'noteTaken']);
