import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { contract, type RunningFlag } from '@core/api';
import { DAY_S } from '@core/values';
import { admit, type EntryOf, type JournalEntry } from '@core/journal';
import { Api } from './api';
import { DayFeed } from './day-feed';
import { DayJournal } from './day-journal';
import { PAGE } from './entry-stream';
import { newId } from './new-id';
import { Outbox } from './outbox';
import { PLAIN_WORDS } from './screen-words';
import { VenueClock } from './venue-clock';
import { Who } from './who';

/** What is entered about a flag. */
export type FlagEntry = Pick<EntryOf<'flagCalled'>, 'kind' | 'flag'> | Pick<EntryOf<'circuitCleared'>, 'kind'>;

/** A flag as this device knows it. */
export interface FlagNow extends Omit<RunningFlag, 'date' | 'id'> {
  readonly id: string | undefined;
  /** Its call waits on this device: nobody else knows of it. */
  readonly unsent: boolean;
}

/** Sending takes a moment; what waits longer has not been sent. */
const SENDING_MS = 1500;

/**
 * The flag of the day that is running, whatever day and time this device shows: called, lifted, and told to the server
 * once it is on screen here.
 */
@Injectable({ providedIn: 'root' })
export class Flags {
  private readonly api = inject(Api);
  private readonly feed = inject(DayFeed);
  private readonly journal = inject(DayJournal);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(VenueClock);
  private readonly who = inject(Who);

  /** The day on which flags are called: that which is running. */
  private readonly date = computed(() => this.feed.flag()?.date ?? this.clock.date());
  private readonly waiting = computed(() =>
    this.outbox.waiting().filter(({ date, entry }) => date === this.date() && entry.kind === 'flagCalled'),
  );
  readonly now = computed<FlagNow | undefined>(() => {
    const told = this.feed.flag();
    const own = this.feed.date() === this.date() ? this.journal.happened()?.flag : undefined;
    const waits = this.waiting().at(-1);
    const called = waits?.entry as EntryOf<'flagCalled'> | undefined;
    const waitsHere = called && { ...called, sinceS: called.at, clearedBy: undefined };
    // A call of a device whose clock is ahead counts from when the server has heard it.
    const isNewer = told && told.id !== null && told.id !== own?.id && told.sinceS >= (own?.sinceS ?? 0);
    const flag = waitsHere ? (own ?? waitsHere) : isNewer ? told : (own ?? told);
    if (!flag) return undefined;
    // Looked at again with each second of the venue's clock.
    this.clock.nowS();
    const isLate = waits !== undefined && Date.now() - waits.sinceMs > SENDING_MS;
    const { lateS = 0, got = [], screens = 0 } = told && told.id === flag.id ? told : {};
    const { sinceS, by, reason = null, clearedBy = null } = flag;
    return {
      ...{ flag: flag.flag, sinceS, by, reason, clearedBy, lateS, got, screens },
      id: flag.id ?? undefined,
      unsent: waits !== undefined && (isLate || !this.feed.connected()),
    };
  });

  constructor() {
    const toTell = computed(() => {
      const flag = this.now();
      return flag && flag.flag !== 'green' && flag.id === this.feed.flag()?.id ? flag.id : undefined;
    });
    effect(() => {
      const id = toTell();
      if (id === undefined) return;
      const body = { id, page: PAGE, who: untracked(this.who.name), screen: location.pathname.slice(0, 200) };
      this.api.call(contract.gotFlag, { body }).subscribe({ error: () => undefined });
    });
  }

  /**
   * Enters it for the day that is running; goes through whatever is shown, and waits here where no server is reached.
   *
   * @returns why it is refused, if so
   */
  enter(fields: FlagEntry): string | undefined {
    const date = this.date();
    if (date === undefined) return 'The day has not been read on this device yet: use the radio.';
    const at = Math.floor(this.clock.nowS()) + (date === this.clock.date() ? 0 : DAY_S);
    const entry: JournalEntry = { ...fields, id: newId(), at, by: this.who.name() };
    const context = this.feed.date() === date ? this.journal.context() : undefined;
    const admission = context && admit(context, this.journal.entries(), entry);
    if (admission && !admission.admitted) return PLAIN_WORDS.refusal(admission.refusal);
    this.outbox.send(date, entry, !this.feed.connected());
    return undefined;
  }
}
