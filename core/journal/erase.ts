import type { JournalEntry } from './entry';

/** Put where words were that somebody had the right to have erased. */
export const ERASED_WORDS = 'erased';

/**
 * An entry without the words and names of a guest; nothing where it holds none of them. What was counted stays: laps,
 * times, who drove which car are needed by others and say nothing of a person once the name is gone.
 *
 * @param isOwn whether a drive is the guest's
 */
export function withoutWords(
  entry: JournalEntry,
  guest: string,
  isOwn: (drive: string) => boolean,
): JournalEntry | undefined {
  if ('drive' in entry && isOwn(entry.drive)) {
    if (entry.kind === 'driveMarked' && (entry.account || entry.note)) {
      return { ...entry, account: entry.account && ERASED_WORDS, note: entry.note && ERASED_WORDS };
    }
    if (entry.kind === 'brokenOff' && entry.note) return { ...entry, note: ERASED_WORDS };
  }
  if (entry.kind === 'guestUnwell' && entry.guest === guest && entry.note) return { ...entry, note: ERASED_WORDS };
  if (entry.kind === 'noteTaken' && entry.guest === guest) return { ...entry, text: ERASED_WORDS };
  return undefined;
}
