import type { Day } from '../day';
import type { UnfitReason } from './kinds/family';
import type { EntryKind, JournalEntry, RecordedEntry } from './entries/entry';
import { rulesOf } from './kinds/registry';
import { effectiveEntries } from './reduce';

function changes(entry: Pick<JournalEntry, 'kind'>): boolean {
  return rulesOf(entry).amends !== undefined;
}

/** Whether an entry, or taking it back, changes the day that plans are made for. */
export function changesTheDay(entries: readonly RecordedEntry[], kind: EntryKind, corrects?: string): boolean {
  if (changes({ kind })) return true;
  return kind === 'correction' && entries.some(({ entry }) => entry.id === corrects && changes(entry));
}

/** An entry that does not fit to what is set up, and therefore changes nothing. */
export interface Unfit {
  readonly entry: JournalEntry;
  readonly why: UnfitReason;
}

/** The day as the journal has changed it, and the entries that could not change it. */
export interface AmendedDay {
  readonly day: Day;
  readonly unfit: readonly Unfit[];
}

/**
 * The day with what the journal says of the day itself: guests who said that they come late, closures of the circuit, a
 * change of condition, another closing time, hours in which an instructor can come after all or is away. What would make a day that
 * cannot be, as a closing before the opening that has since been set up, is left out and told.
 */
export function amendedDay(day: Day, entries: readonly RecordedEntry[]): AmendedDay {
  let amended = day;
  const unfit: Unfit[] = [];
  for (const entry of effectiveEntries(entries)) {
    const changed = rulesOf(entry).amends?.(amended, entry);
    if (!changed) continue;
    if ('code' in changed) unfit.push({ entry, why: changed });
    else amended = changed;
  }
  return { day: amended, unfit };
}
