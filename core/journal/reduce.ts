import { fact } from '../values';
import { beginning } from './beginning';
import type { DayContext } from './state/context';
import type { DayState } from './state/day-state';
import { noteResolution } from './kinds/changing';
import type { JournalEntry, RecordedEntry } from './entries/entry';
import { outOfOrder } from './state/out-of-order';
import { rulesOf } from './kinds/registry';
import { deriveStatuses } from './statuses';

/**
 * The entries that count, in the order in which things happened (ties by sequence): without corrections and what they
 * took back.
 */
export function effectiveEntries(entries: readonly RecordedEntry[]): JournalEntry[] {
  const takenBack = new Set(entries.flatMap(({ entry }) => (entry.kind === 'correction' ? [entry.corrects] : [])));
  return entries
    .filter(({ entry }) => entry.kind !== 'correction' && !takenBack.has(entry.id))
    .sort((a, b) => a.entry.at - b.entry.at || a.seq - b.seq)
    .map(({ entry }) => entry);
}

/** The state of the day at a time: what was recorded as having happened by then, and what follows from it. */
export function stateOf(context: DayContext, entries: readonly RecordedEntry[], timeS: number): DayState {
  return deriveStatuses(
    context,
    replay(
      context,
      effectiveEntries(entries).filter(({ at }) => at <= timeS),
    ),
    timeS,
  );
}

/** Applies entries, in order, to the day's beginning. What depends on the time of day is left to `settle`. */
export function replay(context: DayContext, entries: Iterable<JournalEntry>): DayState {
  const state = beginning(context);
  for (const entry of entries) apply(context, state, entry);
  return state;
}

/**
 * Applies one entry. What an entry names and the day no longer knows is passed over: the journal outlives bookings. What
 * does not fit to what happened before changes nothing and is noted, so that the person can see it.
 */
export function apply(context: DayContext, state: DayState, entry: JournalEntry): void {
  state.timeS = entry.at;
  const refusal = outOfOrder(state, entry);
  if (refusal) return noteResolution(state, entry, fact('keptOnly', {}, { refusal, corrected: correctedOf(entry) }));
  rulesOf(entry).apply(state, entry, context);
}

/** The times of an entry whose device's clock was ahead. */
function correctedOf({ at, corrected }: JournalEntry): { givenS: number; takenS: number } | undefined {
  return corrected && { givenS: corrected.from, takenS: at };
}
