import { Injectable, signal } from '@angular/core';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { Subject } from 'rxjs';

/** A day as it was last known on this device, in the form in which it travels. */
export interface StoredDay {
  readonly date: string;
  /** A `dayView`, encoded. */
  readonly view: unknown;
  /** The device's own clock when the view's clock was right, milliseconds since 1970. */
  readonly readMs: number;
}

/** An entry that waits to be sent, or was refused, encoded. */
export interface StoredEntry {
  readonly id: string;
  readonly date: string;
  readonly entry: unknown;
  /** When it was entered, milliseconds since 1970 by the device's clock; entries are sent in this order. */
  readonly sinceMs: number;
  /** Why the server did not take it. */
  readonly refusal?: string;
}

/** A day of which the server has come to know less than this device, and what it lacks. */
export interface StoredAside extends StoredDay {
  /** Ids of entries. */
  readonly entries: readonly string[];
  /** Names of guests whose bookings are gone. */
  readonly bookings: readonly string[];
  /** The day itself is gone. */
  readonly day: boolean;
}

interface Schema extends DBSchema {
  days: { key: string; value: StoredDay };
  entries: { key: string; value: StoredEntry };
  aside: { key: [date: string, readMs: number]; value: StoredAside };
}
type Stores = IDBPDatabase<Schema>;

const DATABASE = 'joylap';
const FORM = 2;

/**
 * What this device keeps for the time when the server can't be reached: the days it has shown and the entries that are
 * still to be sent. A browser that lends no storage, or takes it away in mid-work, makes it forget at the next reload: it
 * says so, and is asked again with the next thing to keep.
 */
@Injectable({ providedIn: 'root' })
export class DeviceStorage {
  /** Whether what is entered is kept on this device. */
  readonly keeps = signal(true);
  /** Emits when a storage that was gone is there again, and empty. */
  readonly renewed = new Subject<void>();
  private db: Promise<Stores> | undefined;

  async putDay(day: StoredDay): Promise<void> {
    await this.with((db) => db.put('days', day));
  }

  /** The day of this date, or without one the day that was read last. */
  async day(date?: string): Promise<StoredDay | undefined> {
    if (date !== undefined) return this.with((db) => db.get('days', date));
    const days = (await this.with((db) => db.getAll('days'))) ?? [];
    return days.sort((a, b) => b.readMs - a.readMs)[0];
  }

  /** Forgets all days; the one on screen is kept anew with the next change. */
  async forgetDays(): Promise<void> {
    await this.with((db) => db.clear('days'));
    await this.with((db) => db.clear('aside'));
  }

  /** Keeps a day beside the others: nothing that is read later takes its place. */
  async putAside(day: StoredAside): Promise<void> {
    await this.with((db) => db.put('aside', day));
  }

  async aside(): Promise<StoredAside[]> {
    return (await this.with((db) => db.getAll('aside'))) ?? [];
  }

  async dropAside({ date, readMs }: StoredAside): Promise<void> {
    await this.with((db) => db.delete('aside', [date, readMs]));
  }

  /** Forgets everything, as on a phone that was put out. */
  async wipe(): Promise<void> {
    (await this.db?.catch(() => undefined))?.close();
    this.db = undefined;
    await deleteDB(DATABASE);
  }

  /** Committed at once, so that it holds even where the page is left in the same moment. */
  async putEntry(entry: StoredEntry): Promise<void> {
    await this.with(async (db) => {
      const transaction = db.transaction('entries', 'readwrite');
      void transaction.store.put(entry);
      transaction.commit();
      await transaction.done;
    });
  }

  async removeEntry(id: string): Promise<void> {
    await this.with((db) => db.delete('entries', id));
  }

  /** What waits or was refused, in the order in which it was entered. */
  async entries(): Promise<StoredEntry[]> {
    const entries = (await this.with((db) => db.getAll('entries'))) ?? [];
    return entries.sort((a, b) => a.sinceMs - b.sinceMs);
  }

  /** Works on the storage, opened anew where it has gone; nothing where there is none. */
  private async with<T>(work: (db: Stores) => Promise<T>): Promise<T | undefined> {
    for (let tries = 0; tries < 2; tries++) {
      try {
        const done = await work(await (this.db ??= this.opened()));
        if (!this.keeps()) {
          this.keeps.set(true);
          this.renewed.next();
        }
        return done;
      } catch {
        this.db = undefined;
      }
    }
    this.keeps.set(false);
    return undefined;
  }

  private opened(): Promise<Stores> {
    return openDB<Schema>(DATABASE, FORM, {
      upgrade(db, before) {
        if (before < 1) {
          db.createObjectStore('days', { keyPath: 'date' });
          db.createObjectStore('entries', { keyPath: 'id' });
        }
        db.createObjectStore('aside', { keyPath: ['date', 'readMs'] });
      },
      // Somebody takes it away: it is let go, and what waits is told to be kept nowhere until it is there again.
      blocking: (_current, _blocked, event) => {
        (event.target as IDBDatabase).close();
        this.gone();
      },
      terminated: () => this.gone(),
    });
  }

  private gone(): void {
    this.db = undefined;
    this.keeps.set(false);
    // Asked for at once: what waits finds its place again as soon as there is one.
    void this.entries();
  }
}
