import { changesTheDay, owedDrives, sameOwed, type JournalEntry, type RecordedEntry } from '@core/journal';
import { namesOf, wordsIn } from '@words';
import { fact } from '@core/values';
import type { Clock } from '../base/clock';
import type { DayCache } from './day-cache';
import { tellDay } from './tell-day';
import type { Hub } from './live/hub';
import { refusalOf, Refusal } from '../base/refusal';
import type { Store } from '../store';

/** How far ahead of the venue's clock an entry may be: two devices never agree to the second. */
const CLOCK_SKEW_S = 120;

/** An entry as it stands in the journal; one that stood there already is not new. */
export interface Entered {
  readonly recorded: RecordedEntry;
  readonly isNew: boolean;
}

/** Admits and appends one entry, in the transaction that is running. */
export type Enter = (entry: JournalEntry) => Entered;

/**
 * The only way into the journals: admit, append, stream. What belongs together is stored in one transaction, a part that
 * is refused leaves nothing behind, and screens hear of entries once all of it stands.
 */
export class JournalWriter {
  private readonly listeners: ((date: string) => void)[] = [];

  constructor(
    private readonly store: Store,
    private readonly dayCache: DayCache,
    private readonly hub: Hub,
    private readonly clock: Clock,
  ) {}

  /** Calls back whenever a day has new entries, once they are stored and streamed. */
  onAppended(listener: (date: string) => void): void {
    this.listeners.push(listener);
  }

  /**
   * Appends an entry by itself. One that is recorded already comes back as it is.
   *
   * @param alongside what is written in the same transaction, so that both are stored or neither
   * @throws Refusal 404 where there is no such day, 409 where the entry is impossible
   */
  append(date: string, entry: JournalEntry, alongside: () => void = () => undefined): Entered {
    return this.together(date, (enter) => {
      const entered = enter(entry);
      alongside();
      return entered;
    });
  }

  /**
   * Runs work in which any number of entries are entered together with what else is stored.
   *
   * @throws Refusal as `append`, and whatever the work throws; then nothing of it is stored, and nobody is told
   */
  together<T>(date: string, work: (enter: Enter) => T): T {
    this.dayCache.of(date);
    const fresh: RecordedEntry[] = [];
    let dayChanged = false;
    const enter: Enter = (sent) => {
      const known = this.recordedAlready(date, sent);
      if (known) return { recorded: known, isNew: false };
      const recorded = this.admitted(date, sent);
      const { entries, journal, context, owed } = this.dayCache.of(date);
      journal.add(recorded);
      fresh.push(recorded);
      const { entry } = recorded;
      const changes = changesTheDay(entries, entry.kind, entry.kind === 'correction' ? entry.corrects : undefined);
      // Laps that have come to be owed, or are no longer, are drives of the day.
      if (changes || !sameOwed(owedDrives(context, journal.now()), owed)) {
        this.dayCache.forget(date);
        dayChanged = true;
      } else if (entry.kind === 'timesSlid') this.dayCache.slide(date);
      return { recorded, isNew: true };
    };
    let done: T;
    try {
      done = this.store.db.transaction(() => work(enter)).immediate();
    } catch (error) {
      // What was read while it was tried is as if it had not been.
      if (fresh.length > 0) this.dayCache.forget(date);
      throw error;
    }
    for (const recorded of fresh) this.hub.entry(date, recorded);
    if (dayChanged) tellDay({ dayCache: this.dayCache, hub: this.hub }, date, 'setup');
    if (fresh.length > 0) for (const listener of this.listeners) listener(date);
    return done;
  }

  /** @throws Refusal 409 where another entry has the id */
  private recordedAlready(date: string, sent: JournalEntry): RecordedEntry | undefined {
    const known = this.store.journal.find(sent.id);
    if (!known) return undefined;
    const { recorded } = known;
    if (recorded && known.date === date && textOf(recorded.entry) === textOf(sent)) return recorded;
    throw refusalOf(fact('otherEntryHasId', { id: sent.id }));
  }

  private admitted(date: string, sent: JournalEntry): RecordedEntry {
    const { journal, context } = this.dayCache.of(date);
    const entry = this.timed(date, sent);
    const admission = journal.admit(entry);
    if (!admission.admitted) {
      const { refusal } = admission;
      const words = wordsIn('en', namesOf(context.day)).refusal(refusal);
      throw new Refusal(409, words, { facts: [refusal] });
    }
    return this.store.journal.append(date, entry, this.clock.recordedAt());
  }

  /**
   * An entry with the time at which it happened. One that waited on a device whose clock is ahead has happened all the
   * same: its time is what the device's clock says has passed since, counted back from the venue's.
   *
   * @throws Refusal 409 where an entry that did not wait lies ahead of the venue's clock
   */
  private timed(date: string, { agoMs, ...entry }: JournalEntry): JournalEntry {
    const nowS = this.dayCache.nowS(date);
    if (entry.at <= nowS + CLOCK_SKEW_S) return entry;
    if (!entry.offline) throw refusalOf(fact('aheadOfClock', {}));
    const agoS = Math.round(((agoMs ?? 0) / 1000) * this.clock.read().rate);
    return { ...entry, at: Math.max(0, nowS - agoS), corrected: { from: entry.at } };
  }
}

/** An entry as its author sent it, as text; sent again after a loss of connection it may have become one of offline. */
function textOf({ offline: _, agoMs: __, corrected, ...entry }: JournalEntry): string {
  return JSON.stringify({ ...entry, at: corrected?.from ?? entry.at });
}
