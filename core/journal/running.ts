import type { Day, Plan } from '../day';
import { admit, refusalOf, type Admission } from './admit';
import type { DayContext } from './state/context';
import { owedDrives, withOwed, withOwedWaiting, type OwedDrive } from './state/owed';
import type { DayState } from './state/day-state';
import type { JournalEntry, RecordedEntry } from './entries/entry';
import { apply, effectiveEntries, replay } from './reduce';
import { rescheduledContext } from './rescheduled';

/**
 * A journal that grows: judges and takes in an entry that comes last in time without reading the whole journal again.
 * Says the same as `admit` on the whole.
 */
export class RunningJournal {
  private state: DayState | undefined;
  private lastS = 0;

  /** @param entries grows by `add` only */
  constructor(
    private context: DayContext,
    private readonly entries: RecordedEntry[],
  ) {}

  /** Goes by the same plan with other times from now on: what has happened is not a matter of them. */
  goBy(context: DayContext): void {
    this.context = context;
  }

  admit(entry: JournalEntry): Admission {
    const state = this.upToDate();
    if (entry.offline || entry.kind === 'correction' || entry.at < this.lastS) {
      return admit(this.context, this.entries, entry);
    }
    state.timeS = entry.at;
    const refusal = refusalOf(this.context, state, entry);
    return refusal ? { admitted: false, refusal } : { admitted: true };
  }

  add(recorded: RecordedEntry): void {
    const { entry } = recorded;
    this.entries.push(recorded);
    if (!this.state || entry.kind === 'correction' || entry.at < this.lastS) this.state = undefined;
    else {
      apply(this.context, this.state, entry);
      this.lastS = entry.at;
    }
  }

  /** The state after the last entry; what depends on the time of day is not settled in it. */
  now(): DayState {
    return this.upToDate();
  }

  private upToDate(): DayState {
    if (!this.state) {
      const entries = effectiveEntries(this.entries);
      this.state = replay(this.context, entries);
      this.lastS = entries.at(-1)?.at ?? 0;
    }
    return this.state;
  }
}

/**
 * A day with the drives of laps that are owed by its journal. Such a drive may be broken off as well, and owe laps of its
 * own.
 *
 * @param revision of the plan; what has slid of another one has not slid of this
 */
export function journalWithOwed(
  day: Day,
  plan: Plan,
  entries: RecordedEntry[],
  revision = 0,
): { readonly context: DayContext; readonly journal: RunningJournal; readonly owed: readonly OwedDrive[] } {
  let owed: readonly OwedDrive[] = [];
  for (;;) {
    const accepted = withOwedWaiting(plan, owed);
    const context = rescheduledContext(withOwed(day, owed), accepted, revision, entries);
    const journal = new RunningJournal(context, entries);
    const found = owedDrives(context, journal.now());
    if (sameOwed(found, owed)) return { context, journal, owed };
    owed = found;
  }
}

/** Whether the same laps are owed in the same way. */
export function sameOwed(some: readonly OwedDrive[], others: readonly OwedDrive[]): boolean {
  return JSON.stringify(some) === JSON.stringify(others);
}
