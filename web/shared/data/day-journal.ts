import { computed, inject, Injectable } from '@angular/core';
import { contextOf, effectiveEntries, replay, timeOnDay, type RecordedEntry } from '@core/journal';
import { DayFeed } from './day-feed';
import { Outbox } from './outbox';
import { VenueClock } from './venue-clock';

/** Entries of this device that the server has not confirmed yet come after all others. */
const PENDING_SEQ = 1_000_000_000;

/** The journal on this device: what the server has recorded, and what still waits here to be sent. */
@Injectable({ providedIn: 'root' })
export class DayJournal {
  private readonly feed = inject(DayFeed);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(VenueClock);

  readonly entries = computed<readonly RecordedEntry[]>(() => {
    const recorded = this.feed.recorded();
    const known = new Set(recorded.map(({ entry }) => entry.id));
    const date = this.feed.date();
    const pending = this.outbox
      .waiting()
      .filter((item) => item.date === date && !known.has(item.entry.id))
      .map(({ entry }, place) => ({ seq: PENDING_SEQ + place, recordedAt: '', entry }));
    return [...recorded, ...pending];
  });
  /** Made anew with another plan or when its times slide, and not with each entry. */
  private readonly slides = computed(() => this.feed.recorded().filter(({ entry }) => entry.kind === 'timesSlid'), {
    equal: (some, others) => some.length === others.length && some.at(-1) === others.at(-1),
  });
  readonly context = computed(() => {
    const view = this.feed.view();
    return view && contextOf(view, this.slides());
  });
  private readonly effective = computed(() => effectiveEntries(this.entries()));
  private readonly closed = computed(() => this.effective().some(({ kind }) => kind === 'dayClosed'));
  /** Time of this event day: 0 until the date has come, over 24 h as long as the day runs on past midnight, then its end. */
  readonly nowS = computed(() => {
    const [date, today] = [this.feed.date(), this.clock.date()];
    if (!date || !today) return this.clock.nowS();
    return timeOnDay(date, { date: today, secondsOfDay: this.clock.nowS() }, this.closed);
  });
  /** How many entries have happened by now: one from a device whose clock is ahead waits for its time. */
  private readonly passed = computed(() => {
    const nowS = this.nowS();
    const ahead = this.effective().findIndex(({ at }) => at > nowS);
    return ahead < 0 ? this.effective().length : ahead;
  });
  /** What has happened, replayed when an entry comes and not with each second. */
  readonly happened = computed(() => {
    const context = this.context();
    return context && replay(context, this.effective().slice(0, this.passed()));
  });
}
