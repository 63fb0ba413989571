import { closingAt, type Day } from '../day';
import type { EntryKind, RecordedEntry } from './entry';
import { effectiveEntries } from './reduce';

const KINDS: ReadonlySet<EntryKind> = new Set([
  'guestLate',
  'circuitClosed',
  'conditionChanged',
  'closingMoved',
  'crewHours',
] satisfies EntryKind[]);

/** Whether an entry, or taking it back, changes the day that plans are made for. */
export function changesTheDay(entries: readonly RecordedEntry[], kind: EntryKind, corrects?: string): boolean {
  if (KINDS.has(kind)) return true;
  return kind === 'correction' && entries.some(({ entry }) => entry.id === corrects && KINDS.has(entry.kind));
}

/**
 * The day with what the journal says of the day itself: guests who said that they come late, closures of the circuit, a
 * change of condition, another closing time, hours in which an instructor can come after all.
 */
export function asSituated(day: Day, entries: readonly RecordedEntry[]): Day {
  let situated = day;
  for (const entry of effectiveEntries(entries)) {
    switch (entry.kind) {
      case 'guestLate':
        situated = withEach(situated, 'guests', entry.guest, (guest) => ({ ...guest, arrives: entry.expected }));
        break;
      case 'circuitClosed': {
        const { from, to, reason } = entry;
        const { circuit } = situated;
        situated = { ...situated, circuit: { ...circuit, closures: [...circuit.closures, { from, to, reason }] } };
        break;
      }
      case 'conditionChanged': {
        const { from, name, paceFactor } = entry;
        const before = (situated.condition.changes ?? []).filter((change) => change.from < from);
        situated = {
          ...situated,
          condition: { ...situated.condition, changes: [...before, { from, name, paceFactor }] },
        };
        break;
      }
      case 'closingMoved':
        situated = closingAt(situated, entry.to);
        break;
      case 'crewHours': {
        const { from, to } = entry;
        situated = withEach(situated, 'instructors', entry.instructor, (who) => ({
          ...who,
          available: [...who.available, { from, to }],
        }));
        break;
      }
    }
  }
  return situated;
}

function withEach<K extends 'guests' | 'instructors'>(
  day: Day,
  kind: K,
  id: string,
  change: (thing: Day[K][number]) => Day[K][number],
): Day {
  return { ...day, [kind]: day[kind].map((thing) => (thing.id === id ? change(thing) : thing)) };
}
