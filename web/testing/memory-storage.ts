import type { DeviceStorage, StoredDay, StoredEntry } from '../data/device-storage';

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
