import { DestroyRef, inject, Injectable } from '@angular/core';
import { dayView, type DayView } from '@core/api';
import * as z from 'zod';
import { DeviceStorage } from './device-storage';

/** The last erasure of a guest that this device knows of. */
const ERASED_KEY = 'joylap.erased';
/** What has changed is kept this much later, once it has been quiet for a moment. */
const KEEP_AFTER_MS = 1000;

/** A day as this device knew it last; its clock was right at `readMs`, milliseconds since 1970. */
export interface KeptDay {
  readonly view: DayView;
  readonly readMs: number;
}

/** The device's copy of the days that it has shown, for a start without server. */
@Injectable({ providedIn: 'root' })
export class DeviceCopy {
  private readonly storage = inject(DeviceStorage);
  private keeping: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.keeping));
  }

  /** @param current the day as it stands when it is kept; nothing where none is shown any more */
  keepSoon(current: () => DayView | undefined): void {
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => {
      const view = current();
      if (!view) return;
      const day = { date: view.day.date, view: z.encode(dayView, view), readMs: Date.now() };
      void this.storage.putDay(day);
    }, KEEP_AFTER_MS);
  }

  /** The date of a day that is kept: of the one asked for, or of that shown last. */
  async dateOf(date?: string): Promise<string | undefined> {
    return (await this.storage.day(date))?.date;
  }

  /** The day as it was kept; nothing where it is not there or cannot be read. */
  async day(date: string): Promise<KeptDay | undefined> {
    const stored = await this.storage.day(date);
    const read = dayView.safeParse(stored?.view);
    return stored && read.success ? { view: read.data, readMs: stored.readMs } : undefined;
  }

  /** What is kept of days holds the words of a guest who was erased since: it goes. */
  forgetErased(erasedAt: string | null): void {
    if (erasedAt === null || localStorage.getItem(ERASED_KEY) === erasedAt) return;
    localStorage.setItem(ERASED_KEY, erasedAt);
    void this.storage.forgetDays();
  }
}
