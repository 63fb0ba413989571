import { randomUUID } from 'node:crypto';
import { DAY_S } from '@core/values';
import {
  causesOf,
  driftOf,
  slideCauses,
  slideDue,
  slideOf,
  somebodyEnters,
  type DriftLine,
  type SlideTimes,
} from '@core/live/drift';
import { stateAt } from '@core/journal';
import type { Logger } from 'pino';
import type { Common } from '../common';

/** Who says so where nobody does. */
const BY = 'Joy Lap';
/** Entries that come together are looked at together. */
const AFTER_ENTRY_MS = 200;
/** Time passes and things grow late without an entry: so often the clock is looked at, and after so much of venue time the day. */
const TICK_MS = 1000;
const LOOK_EVERY_S = 15;

/**
 * Lets the times of the day's plan follow what happens, as far as the manager lets them by themselves; everything beyond
 * waits for somebody's word. Each slide is an entry of the journal.
 */
export class Slides {
  private readonly timer = setInterval(() => this.tick(), TICK_MS);
  private soon: ReturnType<typeof setTimeout> | undefined;
  private lastS = -Infinity;

  constructor(
    private readonly services: Pick<Common, 'store' | 'clock' | 'dayCache' | 'journal'>,
    private readonly logger?: Logger,
  ) {
    this.timer.unref();
    services.journal.onAppended((date) => {
      if (date !== this.today()) return;
      this.soon ??= setTimeout(() => this.lookNow(), AFTER_ENTRY_MS).unref();
    });
  }

  close(): void {
    clearInterval(this.timer);
    clearTimeout(this.soon);
  }

  /** Looks at a day now, and enters what has to slide. */
  private look(date: string): void {
    const { store, dayCache } = this.services;
    const { context, entries, journal, revision } = dayCache.of(date);
    const nowS = dayCache.nowS(date);
    const runs = nowS > 0 && nowS < DAY_S && somebodyEnters(entries) && !journal.now().closed;
    if (!revision || !runs) return;
    const state = stateAt(context, journal.now(), nowS);
    const drift = driftOf(context, state);
    const times = slideDue(context, drift, store.venue.get()!.fields.live.slidesUpToMin * 60);
    if (times) this.enter(date, times, causesOf(drift, state), { by: BY });
  }

  /** Lets everything of a day follow, however late, as somebody has decided; gives how many times changed. */
  agree(date: string, by: string): number {
    const { dayCache } = this.services;
    const { context, journal } = dayCache.of(date);
    const state = stateAt(context, journal.now(), dayCache.nowS(date));
    const drift = driftOf(context, state);
    const lines = causesOf(drift, state);
    if (lines.every(({ later }) => later.length === 0)) return 0;
    const times = slideOf(drift);
    this.enter(date, times, lines, { by, agreed: true });
    return Object.values(times).reduce((sum, moved) => sum + moved.length, 0);
  }

  private enter(
    date: string,
    times: SlideTimes,
    lines: readonly DriftLine[],
    who: { by: string; agreed?: true },
  ): void {
    const { dayCache, journal } = this.services;
    const { revision } = dayCache.of(date).revision!;
    const entry = { id: randomUUID(), kind: 'timesSlid', at: dayCache.nowS(date), ...who, revision } as const;
    journal.append(date, { ...entry, ...times, ...slideCauses(lines, times) });
  }

  private today(): string {
    return this.services.clock.read().date;
  }

  private tick(): void {
    const { secondsOfDay } = this.services.clock.read();
    if (Math.abs(secondsOfDay - this.lastS) >= LOOK_EVERY_S) this.lookNow();
  }

  private lookNow(): void {
    clearTimeout(this.soon);
    this.soon = undefined;
    const { date, secondsOfDay } = this.services.clock.read();
    this.lastS = secondsOfDay;
    try {
      if (this.services.store.days.has(date)) this.look(date);
    } catch (error) {
      this.logger?.error({ err: error }, 'the times could not be looked at');
    }
  }
}
