import { Injectable } from '@angular/core';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';

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

interface Schema extends DBSchema {
  days: { key: string; value: StoredDay };
  entries: { key: string; value: StoredEntry };
}

const DATABASE = 'joylap';

/**
 * What this device keeps for the time when the server can't be reached: the days it has shown and the entries that are
 * still to be sent. A browser that lends no storage makes it forget at the next reload, nothing else.
 */
@Injectable({ providedIn: 'root' })
export class DeviceStorage {
  private readonly db: Promise<IDBPDatabase<Schema> | undefined> = openDB<Schema>(DATABASE, 1, {
    upgrade(db) {
      db.createObjectStore('days', { keyPath: 'date' });
      db.createObjectStore('entries', { keyPath: 'id' });
    },
  }).catch(() => undefined);

  async putDay(day: StoredDay): Promise<void> {
    await (await this.db)?.put('days', day);
  }

  /** The day of this date, or without one the day that was read last. */
  async day(date?: string): Promise<StoredDay | undefined> {
    const db = await this.db;
    if (date !== undefined) return db?.get('days', date);
    const days = (await db?.getAll('days')) ?? [];
    return days.sort((a, b) => b.readMs - a.readMs)[0];
  }

  /** Forgets all days; the one on screen is kept anew with the next change. */
  async forgetDays(): Promise<void> {
    await (await this.db)?.clear('days');
  }

  /** Forgets everything, as on a phone that was put out. */
  async wipe(): Promise<void> {
    (await this.db)?.close();
    await deleteDB(DATABASE);
  }

  /** Committed at once, so that it holds even where the page is left in the same moment. */
  async putEntry(entry: StoredEntry): Promise<void> {
    const transaction = (await this.db)?.transaction('entries', 'readwrite');
    if (!transaction) return;
    void transaction.store.put(entry);
    transaction.commit();
    await transaction.done;
  }

  async removeEntry(id: string): Promise<void> {
    await (await this.db)?.delete('entries', id);
  }

  /** What waits or was refused, in the order in which it was entered. */
  async entries(): Promise<StoredEntry[]> {
    const entries = (await (await this.db)?.getAll('entries')) ?? [];
    return entries.sort((a, b) => a.sinceMs - b.sinceMs);
  }
}
