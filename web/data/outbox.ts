import { inject, Injectable, signal } from '@angular/core';
import { contract } from '@core/api';
import { journalEntry, type JournalEntry, type RecordedEntry } from '@core/journal';
import { Subject } from 'rxjs';
import * as z from 'zod';
import { Api, ApiError } from './api';

const KEY = 'joylap.outbox';
const RETRY_MS = 2000;

const stored = z.array(z.object({ date: z.string(), entry: journalEntry }));
type Waiting = z.output<typeof stored>[number];

/** What became of an entry: recorded, or refused with the reason. */
export interface Settled {
  readonly recorded?: RecordedEntry;
  readonly reason?: string;
}

/**
 * Entries on their way to the server, in order. They survive a reload of the page and wait out a network that is away;
 * as each has its own id, sending one twice does nothing twice.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(Api);
  private readonly items = signal<readonly Waiting[]>(restore());
  private sending = false;

  readonly waiting = this.items.asReadonly();
  readonly settled = new Subject<Settled>();

  send(date: string, entry: JournalEntry): void {
    this.keep([...this.items(), { date, entry }]);
    this.flush();
  }

  /** Sends what waits, one after the other; does nothing while that is going on. */
  flush(): void {
    const next = this.items()[0];
    if (!next || this.sending) return;
    this.sending = true;
    this.api.call(contract.appendEntry, { params: { date: next.date }, body: next.entry }).subscribe({
      next: (recorded) => this.done(next, { recorded }),
      error: (error: unknown) => {
        if (error instanceof ApiError && error.problem && error.problem.status < 500) {
          this.done(next, { reason: error.message });
        } else {
          this.sending = false;
          setTimeout(() => this.flush(), RETRY_MS);
        }
      },
    });
  }

  private done(item: Waiting, settled: Settled): void {
    this.keep(this.items().filter((other) => other !== item));
    this.settled.next(settled);
    this.sending = false;
    this.flush();
  }

  private keep(items: readonly Waiting[]): void {
    this.items.set(items);
    localStorage.setItem(KEY, JSON.stringify(z.encode(stored, [...items])));
  }
}

/** What an earlier page left unsent; anything unreadable is left out. */
function restore(): readonly Waiting[] {
  try {
    return stored.parse(JSON.parse(localStorage.getItem(KEY) ?? '[]'));
  } catch {
    return [];
  }
}
