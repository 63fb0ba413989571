import { computed, inject, Injectable, signal } from '@angular/core';
import { contract, type ClockReading } from '@core/api';
import { DAY_S } from '@core/values';
import { nextDate } from '@core/journal';
import { interval } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Api } from './api';
import { timed } from './timed';

const TICK_MS = 250;
/** Asked for again so often while the server answers: two clocks drift apart. */
const ASK_EVERY_MS = 60_000;
/** A reading that is this old gives way to a new one, however quick its reply was. */
const STALE_MS = 10 * 60_000;

interface Reading {
  readonly clock: ClockReading;
  /** The device's time at which it was right, by `performance.now()`. */
  readonly atMs: number;
  /** How long the reply took; half of it is how far off the reading may be. */
  readonly tookMs: number;
  /** When the device asked. */
  readonly askedMs: number;
}

/**
 * The venue's clock, carried on by this device's own. Its offset is estimated as between any two clocks: the server's
 * reading is taken to be right in the middle between question and answer, and the quickest answer counts (Cristian, 1989).
 */
@Injectable({ providedIn: 'root' })
export class VenueClock {
  private readonly api = inject(Api);
  private readonly reading = signal<Reading | undefined>(undefined);
  private readonly deviceMs = signal(performance.now());

  /** Seconds since the midnight of the date that was read last; past midnight they go on. */
  private readonly runningS = computed(() => Math.floor(this.secondsAt(this.deviceMs())));
  private readonly overMidnight = computed(() => this.runningS() >= DAY_S);
  /** Seconds since the venue's midnight, whole. */
  readonly nowS = computed(() => this.runningS() - (this.overMidnight() ? DAY_S : 0));
  readonly date = computed(() => {
    const date = this.reading()?.clock.date;
    return date !== undefined && this.overMidnight() ? nextDate(date) : date;
  });
  readonly rate = computed(() => this.reading()?.clock.rate ?? 1);
  readonly adjustable = computed(() => this.reading()?.clock.adjustable ?? false);

  constructor() {
    interval(TICK_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.deviceMs.set(performance.now()));
    interval(ASK_EVERY_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.refresh());
  }

  /** Seconds since the venue's midnight at this moment, with fractions; not a signal. */
  preciseS(): number {
    return this.secondsAt(performance.now()) - (this.overMidnight() ? DAY_S : 0);
  }

  /** Takes over a reading that came with something else, where none is better. */
  take(clock: ClockReading, tookMs = 1000): void {
    const askedMs = performance.now() - tookMs;
    const atMs = askedMs + tookMs / 2;
    const known = this.reading();
    // An answer that was overtaken by that to a later question says what was.
    if (known && askedMs < known.askedMs) return;
    const same =
      known !== undefined &&
      known.clock.date === clock.date &&
      known.clock.rate === clock.rate &&
      Math.abs(this.secondsAt(atMs) - clock.secondsOfDay) < 2 * Math.max(1, clock.rate);
    if (same && known.tookMs <= tookMs && atMs - known.atMs < STALE_MS) return;
    this.deviceMs.set(performance.now());
    this.reading.set({ clock, atMs, tookMs, askedMs });
  }

  refresh(): void {
    timed(() => this.api.call(contract.readClock)).subscribe({
      next: ({ answer, tookMs }) => this.take(answer, tookMs),
      error: () => undefined,
    });
  }

  adjust(change: { rate?: number; date?: string; secondsOfDay?: number }): void {
    timed(() => this.api.call(contract.adjustClock, { body: change })).subscribe(({ answer, tookMs }) =>
      this.take(answer, tookMs),
    );
  }

  /** What to keep for a start without server: the clock as it stands now. */
  snapshot(): ClockReading | undefined {
    const clock = this.reading()?.clock;
    return clock && { ...clock, date: this.date()!, secondsOfDay: this.preciseS() };
  }

  /** Goes on from a kept reading; the device's own clock tells how long ago it was right. */
  restore(clock: ClockReading, readMs: number): void {
    if (this.reading()) return;
    const goneMs = Math.max(0, Date.now() - readMs);
    this.reading.set({ clock, atMs: performance.now() - goneMs, tookMs: Infinity, askedMs: -Infinity });
  }

  private secondsAt(deviceMs: number): number {
    const reading = this.reading();
    if (!reading) return 0;
    const { secondsOfDay, rate } = reading.clock;
    return Math.min(2 * DAY_S - 1, secondsOfDay + ((deviceMs - reading.atMs) / 1000) * rate);
  }
}
