import type { JournalEntry } from './entries/entry';
import { isAbout, rulesOf } from './kinds/registry';

/** Put where words were that somebody had the right to have erased. */
const ERASED_WORDS = 'erased';

/** A text with other words in place of a name, wherever it stands as whole words: "Will" is no part of "willing". */
export function withoutWord(text: string, name: string, instead: string): string {
  const quoted = name
    .trim()
    .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
    .replace(/\s+/g, '\\s+');
  return quoted === ''
    ? text
    : text.replace(new RegExp(`(?<![\\p{L}\\p{M}\\p{N}])${quoted}(?![\\p{L}\\p{M}\\p{N}])`, 'giu'), () => instead);
}

/** A text without any of several names. */
export function withoutNames(text: string, names: readonly string[], instead = ERASED_WORDS): string {
  return names.reduce((left, name) => withoutWord(left, name, instead), text);
}

/**
 * What else than the whole name may mean somebody: their e-mail and each word of their name. It may as well mean somebody
 * else, so that a person decides, at each place.
 */
export function partsOfName(name: string, email?: string): string[] {
  const words = name.split(/[\s,;]+/).filter((word) => /\p{L}.*\p{L}/u.test(word));
  return [...(email === undefined ? [] : [email]), ...words];
}

/** The texts of an entry that somebody wrote. */
export function wordsOf(entry: JournalEntry): string[] {
  const { own = [], named = [] } = rulesOf(entry).words;
  const fields = entry as unknown as Record<string, unknown>;
  return [...own, ...named].map((field) => fields[field]).filter((words) => typeof words === 'string');
}

/**
 * An entry without the words and names of a guest; nothing where it holds none of them. What was counted stays: laps,
 * times, who drove which car are needed by others and say nothing of a person once the name is gone.
 *
 * @param drives ids of the guest's drives
 * @param names of the guest, taken out of whatever others have written
 */
export function withoutWords(
  entry: JournalEntry,
  guest: string,
  drives: ReadonlySet<string>,
  names: readonly string[],
): JournalEntry | undefined {
  const theirs = isAbout(entry, guest, drives);
  const { own = [], named = [], emptied = [] } = rulesOf(entry).words;
  const fields: Record<string, unknown> = { ...entry };
  let changed = false;
  const put = (field: string, erase: (words: string) => string) => {
    const words = fields[field];
    if (typeof words !== 'string' || erase(words) === words) return;
    fields[field] = erase(words);
    changed = true;
  };
  const withoutName = (words: string) => withoutNames(words, names);
  for (const field of named) put(field, withoutName);
  for (const field of own) put(field, theirs ? () => ERASED_WORDS : withoutName);
  for (const field of theirs ? emptied : []) {
    if (Object.keys(fields[field] ?? {}).length === 0) continue;
    fields[field] = {};
    changed = true;
  }
  return changed ? (fields as unknown as JournalEntry) : undefined;
}
