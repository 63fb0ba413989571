import { computed, inject, Injectable, signal } from '@angular/core';
import { dayView, type DayView } from '@core/api';
import type { RecordedEntry } from '@core/journal';
import * as z from 'zod';
import { DeviceStorage, type StoredAside } from './device-storage';

/** What this device knows of a day that the server does not know any more. */
export interface Lacking {
  readonly stored: StoredAside;
  readonly view: DayView;
  readonly entries: readonly RecordedEntry[];
}

/**
 * Days of which this device knows more than the server, as where an older copy of the data was started after a failure. A
 * journal only ever grows: an entry that the server had recorded and has no longer tells so. They are kept aside until
 * somebody drops them; the server's day is the one that goes on.
 */
@Injectable({ providedIn: 'root' })
export class KeptAside {
  private readonly storage = inject(DeviceStorage);
  private readonly kept = signal<readonly Lacking[]>([]);
  readonly all = this.kept.asReadonly();
  /** Names by id of guests whom only this device knows. */
  readonly names = computed(
    () => new Map(this.kept().flatMap(({ view }) => view.bookings.map(({ id, fields }) => [id, fields.name] as const))),
  );

  /** How many entries and bookings. */
  readonly count = computed(() =>
    this.kept().reduce((count, { stored }) => count + stored.entries.length + stored.bookings.length, 0),
  );

  constructor() {
    void this.restore();
  }

  /**
   * Compares what was known of a day with what the server says of it now, and keeps the former where it holds more.
   *
   * @param now nothing where the server has no such day
   */
  compare(known: DayView, now: DayView | undefined): void {
    const lacking = lackingOf(known, now);
    if (lacking.entries.length === 0 && !lacking.day) return;
    const { date } = known.day;
    const isKept = this.kept().some(
      ({ stored }) => stored.date === date && lacking.entries.every((id) => stored.entries.includes(id)),
    );
    if (isKept) return;
    const stored = { date, view: z.encode(dayView, known), readMs: Date.now(), ...lacking };
    this.kept.update((kept) => [...kept, { stored, view: known, entries: entriesOf(known, stored) }]);
    void this.storage.putAside(stored);
  }

  drop(lacking: Lacking): void {
    this.kept.update((kept) => kept.filter((one) => one !== lacking));
    void this.storage.dropAside(lacking.stored);
  }

  private async restore(): Promise<void> {
    const kept = (await this.storage.aside()).flatMap((stored): Lacking[] => {
      const read = dayView.safeParse(stored.view);
      return read.success ? [{ stored, view: read.data, entries: entriesOf(read.data, stored) }] : [];
    });
    this.kept.update((now) => [...kept, ...now]);
  }
}

function lackingOf(known: DayView, now: DayView | undefined): Pick<StoredAside, 'entries' | 'bookings' | 'day'> {
  const entries = new Set(now?.journal.map(({ entry }) => entry.id));
  const bookings = new Set(now?.bookings.map(({ id }) => id));
  return {
    entries: known.journal.flatMap(({ entry: { id } }) => (entries.has(id) ? [] : [id])),
    bookings: known.bookings.flatMap(({ id, fields }) => (bookings.has(id) ? [] : [fields.name])),
    day: now === undefined,
  };
}

function entriesOf({ journal }: DayView, { entries }: StoredAside): RecordedEntry[] {
  const ids = new Set(entries);
  return journal.filter(({ entry }) => ids.has(entry.id));
}
