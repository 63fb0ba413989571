import { fact } from '../values';
import type { DayState } from './state/day-state';
import { beginning } from './beginning';
import type { DayContext } from './state/context';
import { unknownNames } from './kinds/judging';
import type { JournalEntry, RecordedEntry } from './entries/entry';
import { outOfOrder } from './state/out-of-order';
import { apply, effectiveEntries } from './reduce';
import { rulesOf } from './kinds/registry';
import type { Refusal } from './state/refusal';

/** Whether an entry may join the journal, or why not. */
export type Admission = { readonly admitted: true } | { readonly admitted: false; readonly refusal: Refusal };

/**
 * Judges an entry at its own place in the journal: an impossible one is refused, and so is one that would make something
 * impossible that was recorded as happening after it. One that was entered without connection has happened: it joins as
 * long as the day knows what it names, and the reducer settles what does not fit.
 */
export function admit(context: DayContext, entries: readonly RecordedEntry[], entry: JournalEntry): Admission {
  const without = entry.kind === 'correction' ? entry.corrects : undefined;
  if (entry.kind === 'correction') {
    const target = entries.find((recorded) => recorded.entry.id === entry.corrects)?.entry;
    if (!target) return refused(fact('noSuchEntry', {}));
    if (target.kind === 'correction') return refused(fact('correctionStays', {}));
    if (target.kind === 'planAccepted' || target.kind === 'timesSlid') return refused(fact('planStays', {}));
    if (entries.some(({ entry: other }) => other.kind === 'correction' && other.corrects === entry.corrects)) {
      return refused(fact('takenBackAlready', {}));
    }
  }
  if (entry.offline && entry.kind !== 'correction') {
    const refusal = unknownNames(context, entry);
    return refusal ? refused(refusal) : { admitted: true };
  }
  const before = effectiveEntries(entries);
  const place = before.findIndex((other) => other.at > entry.at);
  const at = place < 0 ? before.length : place;
  const after =
    without === undefined
      ? [...before.slice(0, at), entry, ...before.slice(at)]
      : before.filter((other) => other.id !== without);

  // Only what comes after the change can be affected by it; the part before is replayed without judging it again.
  const changedFrom = without === undefined ? at : before.findIndex((other) => other.id === without);
  const obstacles = refusalsFrom(context, after, changedFrom);
  const own = obstacles.get(entry.id);
  if (own !== undefined) return refused(own);
  if (obstacles.size === 0) return { admitted: true };
  const known = refusalsFrom(context, before, changedFrom);
  for (const [id, refusal] of obstacles) {
    if (known.has(id)) continue;
    const later = before.find((other) => other.id === id)!;
    return refused(fact('laterStandsOnIt', { entry: id }, { atS: later.at, refusal }));
  }
  return { admitted: true };
}

function refused(refusal: Refusal): Admission {
  return { admitted: false, refusal };
}

/** Replays entries and collects, from a place on, why those that are impossible are so. */
function refusalsFrom(context: DayContext, entries: readonly JournalEntry[], from: number): Map<string, Refusal> {
  const state = beginning(context);
  const refusals = new Map<string, Refusal>();
  entries.forEach((entry, place) => {
    state.timeS = entry.at;
    if (place >= from && !entry.offline) {
      const refusal = refusalOf(context, state, entry);
      if (refusal) refusals.set(entry.id, refusal);
    }
    apply(context, state, entry);
  });
  return refusals;
}

/** Why an entry is impossible in this state, or nothing where it may happen. */
export function refusalOf(context: DayContext, state: DayState, entry: JournalEntry): Refusal | undefined {
  return rulesOf(entry).admit(state, entry, context) ?? outOfOrder(state, entry);
}
