import { closingAt, fact, withoutWindows, type Day, type Fact } from '../day';
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entry';
import { effectiveEntries } from './reduce';

/** The kinds of entry that change the day itself. */
const KINDS = [
  'guestLate',
  'circuitClosed',
  'conditionChanged',
  'closingMoved',
  'crewHours',
  'crewAway',
] as const satisfies readonly EntryKind[];
type SituationEntry = EntryOf<(typeof KINDS)[number]>;

function changes(kind: EntryKind): boolean {
  return (KINDS as readonly EntryKind[]).includes(kind);
}

function isSituation(entry: JournalEntry): entry is SituationEntry {
  return changes(entry.kind);
}

/** Whether an entry, or taking it back, changes the day that plans are made for. */
export function changesTheDay(entries: readonly RecordedEntry[], kind: EntryKind, corrects?: string): boolean {
  if (changes(kind)) return true;
  return kind === 'correction' && entries.some(({ entry }) => entry.id === corrects && changes(entry.kind));
}

/** An entry that does not fit to what is set up, and therefore changes nothing. */
export interface Unfit {
  readonly entry: JournalEntry;
  readonly why: Fact<'closesBeforeOpening', object, { closesS: number; opensS: number }>;
}

/** The day as the journal has changed it, and the entries that could not change it. */
export interface Situated {
  readonly day: Day;
  readonly unfit: readonly Unfit[];
}

/**
 * The day with what the journal says of the day itself: guests who said that they come late, closures of the circuit, a
 * change of condition, another closing time, hours in which an instructor can come after all or is away. What would make a day that
 * cannot be, as a closing before the opening that has since been set up, is left out and told.
 */
export function asSituated(day: Day, entries: readonly RecordedEntry[]): Situated {
  let situated = day;
  const unfit: Unfit[] = [];
  for (const entry of effectiveEntries(entries)) {
    if (!isSituation(entry)) continue;
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
        if (entry.to > situated.opens) situated = closingAt(situated, entry.to);
        else {
          const why = fact('closesBeforeOpening', {}, { closesS: entry.to, opensS: situated.opens });
          unfit.push({ entry, why });
        }
        break;
      case 'crewHours': {
        const { from, to } = entry;
        situated = withEach(situated, 'instructors', entry.instructor, (who) => ({
          ...who,
          available: [...who.available, { from, to }],
        }));
        break;
      }
      case 'crewAway': {
        const { from, to } = entry;
        situated = withEach(situated, 'instructors', entry.instructor, (who) => ({
          ...who,
          available: withoutWindows(who.available, [{ from, to }]),
        }));
        break;
      }
    }
  }
  return { day: situated, unfit };
}

function withEach<K extends 'guests' | 'instructors'>(
  day: Day,
  kind: K,
  id: string,
  change: (thing: Day[K][number]) => Day[K][number],
): Day {
  return { ...day, [kind]: day[kind].map((thing) => (thing.id === id ? change(thing) : thing)) };
}
