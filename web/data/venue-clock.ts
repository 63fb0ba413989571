import { computed, inject, Injectable, signal } from '@angular/core';
import { contract, type ClockReading } from '@core/api';
import { interval } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Api } from './api';

const TICK_MS = 250;

/** The venue's clock as the server last told it, carried on by this device's own. */
@Injectable({ providedIn: 'root' })
export class VenueClock {
  private readonly api = inject(Api);
  private readonly reading = signal<{ clock: ClockReading; atMs: number } | undefined>(undefined);
  private readonly deviceMs = signal(performance.now());

  /** Seconds since the venue's midnight, whole. */
  readonly nowS = computed(() => {
    const reading = this.reading();
    if (!reading) return 0;
    const { secondsOfDay, rate } = reading.clock;
    return Math.min(86_399, Math.floor(secondsOfDay + ((this.deviceMs() - reading.atMs) / 1000) * rate));
  });
  readonly date = computed(() => this.reading()?.clock.date);
  readonly rate = computed(() => this.reading()?.clock.rate ?? 1);
  readonly adjustable = computed(() => this.reading()?.clock.adjustable ?? false);

  constructor() {
    interval(TICK_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.deviceMs.set(performance.now()));
  }

  take(clock: ClockReading): void {
    const atMs = performance.now();
    this.deviceMs.set(atMs);
    this.reading.set({ clock, atMs });
  }

  refresh(): void {
    this.api.call(contract.readClock).subscribe({ next: (clock) => this.take(clock), error: () => undefined });
  }

  adjust(change: { rate?: number; date?: string; secondsOfDay?: number }): void {
    this.api.call(contract.adjustClock, { body: change }).subscribe((clock) => this.take(clock));
  }
}
