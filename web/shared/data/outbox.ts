import { computed, inject, Injectable, signal } from '@angular/core';
import { contract } from '@core/api';
import { journalEntry, type JournalEntry, type RecordedEntry } from '@core/journal';
import { Subject } from 'rxjs';
import * as z from 'zod';
import { Api, ApiError } from './api';
import { pauseMs } from './retry';
import { DeviceStorage, type StoredEntry } from './device-storage';

/** An entry on its way to the server. */
export interface Waiting {
  readonly date: string;
  readonly entry: JournalEntry;
  readonly sinceMs: number;
}

/** An entry that the server did not take; it stays on the device until somebody has seen it. */
export interface Refused extends Waiting {
  readonly reason: string;
}

/** What became of an entry: recorded, or refused with the reason. */
export interface Outcome {
  readonly date: string;
  readonly recorded?: RecordedEntry;
  readonly reason?: string;
}

/**
 * Entries on their way to the server, in order. They survive a reload of the page and wait out a network that is away;
 * as each has its own id, sending one twice does nothing twice. One that could not be sent at once is marked as entered
 * offline: it has happened, whatever others entered meanwhile.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(Api);
  private readonly storage = inject(DeviceStorage);
  private readonly items = signal<readonly Waiting[]>([]);
  private readonly kept = signal<readonly Refused[]>([]);
  private sending = false;
  private again: ReturnType<typeof setTimeout> | undefined;
  /** How often in a row no answer has come. */
  private tries = 0;
  private lastMs = 0;

  readonly waiting = this.items.asReadonly();
  readonly refused = this.kept.asReadonly();
  /** Since when the oldest one waits, milliseconds since 1970. */
  readonly sinceMs = computed(() => this.items()[0]?.sinceMs);
  readonly outcomes = new Subject<Outcome>();
  /** What waits is kept on this device too. */
  readonly keeps = this.storage.keeps.asReadonly();
  /** Settles once what an earlier page has left is back. */
  readonly ready = this.restore();

  constructor() {
    // A storage that was gone is empty when it is there again.
    this.storage.renewed.subscribe(() => {
      for (const item of this.items()) void this.storage.putEntry(stored(item));
      for (const item of this.kept()) void this.storage.putEntry(stored(item, item.reason));
    });
  }

  /** @param offline the server can't be reached now */
  send(date: string, entry: JournalEntry, offline = false): void {
    // Two entries of one moment keep their order.
    this.lastMs = Math.max(Date.now(), this.lastMs + 1);
    const item = { date, entry: offline ? { ...entry, offline: true as const } : entry, sinceMs: this.lastMs };
    this.items.update((items) => [...items, item]);
    void this.storage.putEntry(stored(item));
    this.flush();
  }

  /** Sends what waits, one after the other; does nothing while that is going on. */
  flush(): void {
    const next = this.items()[0];
    if (!next || this.sending) return;
    clearTimeout(this.again);
    this.sending = true;
    this.api.call(contract.appendEntry, { params: { date: next.date }, body: sentNow(next) }).subscribe({
      next: (recorded) => this.done(next, () => this.outcomes.next({ date: next.date, recorded })),
      error: (error: unknown) => {
        // What a phone that was put out has kept is sent once it is let in again.
        const isPutOut = error instanceof ApiError && (error.is('notAdded') || error.is('phonePutOut'));
        if (error instanceof ApiError && error.problem && error.problem.status < 500 && !isPutOut) {
          const reason = error.message;
          this.done(next, () => {
            const refused = { ...next, reason };
            this.kept.update((kept) => [...kept, refused]);
            void this.storage.putEntry(stored(next, reason));
            this.outcomes.next({ date: next.date, reason });
          });
        } else {
          this.sending = false;
          this.markOffline();
          clearTimeout(this.again);
          this.again = setTimeout(() => this.flush(), pauseMs(++this.tries));
        }
      },
    });
  }

  /** Somebody has seen that an entry was not taken. */
  dismiss(id: string): void {
    this.kept.update((kept) => kept.filter(({ entry }) => entry.id !== id));
    void this.storage.removeEntry(id);
  }

  /** Drops everything, as where the demo has been put back and what was entered belongs to nothing any more. */
  forget(): void {
    for (const { entry } of [...this.items(), ...this.kept()]) void this.storage.removeEntry(entry.id);
    this.items.set([]);
    this.kept.set([]);
  }

  private done(item: Waiting, then: () => void): void {
    this.items.update((items) => items.filter((other) => other.entry.id !== item.entry.id));
    void this.storage.removeEntry(item.entry.id);
    then();
    this.sending = false;
    this.tries = 0;
    this.flush();
  }

  private markOffline(): void {
    if (this.items().every(({ entry }) => entry.offline)) return;
    this.items.update((items) => items.map((item) => ({ ...item, entry: { ...item.entry, offline: true as const } })));
    for (const item of this.items()) void this.storage.putEntry(stored(item));
  }

  /** What an earlier page left; what cannot be read is left out. */
  private async restore(): Promise<void> {
    const waiting: Waiting[] = [];
    const refused: Refused[] = [];
    for (const { date, entry, sinceMs, refusal } of await this.storage.entries()) {
      const read = journalEntry.safeParse(entry);
      if (!read.success) continue;
      const item = { date, entry: { ...read.data, offline: true as const }, sinceMs };
      if (refusal === undefined) waiting.push(item);
      else refused.push({ ...item, reason: refusal });
    }
    const known = new Set(this.items().map(({ entry }) => entry.id));
    this.items.update((items) => [...waiting.filter(({ entry }) => !known.has(entry.id)), ...items]);
    this.kept.update((kept) => [...refused, ...kept]);
    this.flush();
  }
}

/** An entry as it is sent now: what waited here tells how long, so that a clock that is ahead does no harm. */
function sentNow({ entry, sinceMs }: Waiting): JournalEntry {
  return entry.offline ? { ...entry, agoMs: Math.max(0, Date.now() - sinceMs) } : entry;
}

function stored({ date, entry, sinceMs }: Waiting, refusal?: string): StoredEntry {
  return {
    id: entry.id,
    date,
    entry: z.encode(journalEntry, entry),
    sinceMs,
    ...(refusal === undefined ? {} : { refusal }),
  };
}
