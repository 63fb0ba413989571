import { signal } from '@angular/core';
import { Subject } from 'rxjs';
import type { DeviceStorage, StoredAside, StoredDay, StoredEntry } from '../shared/data/device-storage';

/** What a device keeps, for as long as a test runs. */
export class MemoryStorage implements Pick<DeviceStorage, keyof DeviceStorage> {
  readonly storedDays = new Map<string, StoredDay>();
  readonly storedEntries = new Map<string, StoredEntry>();

  async putDay(day: StoredDay): Promise<void> {
    this.storedDays.set(day.date, day);
  }
  async day(date?: string): Promise<StoredDay | undefined> {
    return date === undefined ? [...this.storedDays.values()].at(-1) : this.storedDays.get(date);
  }
  async forgetDays(): Promise<void> {
    this.storedDays.clear();
  }
  readonly keeps = signal(true);
  readonly renewed = new Subject<void>();
  readonly storedAside: StoredAside[] = [];

  async putAside(day: StoredAside): Promise<void> {
    this.storedAside.push(day);
  }
  async aside(): Promise<StoredAside[]> {
    return [...this.storedAside];
  }
  async dropAside(day: StoredAside): Promise<void> {
    this.storedAside.splice(this.storedAside.indexOf(day), 1);
  }
  async wipe(): Promise<void> {
    this.storedDays.clear();
    this.storedEntries.clear();
  }
  async putEntry(entry: StoredEntry): Promise<void> {
    this.storedEntries.set(entry.id, entry);
  }
  async removeEntry(id: string): Promise<void> {
    this.storedEntries.delete(id);
  }
  async entries(): Promise<StoredEntry[]> {
    return [...this.storedEntries.values()];
  }
}
