import { randomUUID } from 'node:crypto';
import { bookingFields, type BookingFields } from '@core/venue/booking';
import type { Fault } from '@core/values';
import { missingColumnFaults } from '@exchange/list-rows';
import { readBookingList, type BookingListContext } from '@exchange/booking-list';
import * as z from 'zod';
import { documentCodec, type DocumentRow } from '../../store/documents';
import { type StoredBooking, type BookingBatch } from '../../store/booking-batch';

/** What a list is read against: its bookings as they are stored, so that only the reading thread looks into them. */
export interface ListSituation extends Omit<BookingListContext, 'bookings'> {
  readonly bookings: readonly DocumentRow[];
}

const codec = documentCodec(bookingFields);

export function contextOf({ bookings, ...names }: ListSituation): BookingListContext {
  return { ...names, bookings: codec.readAll(bookings).good };
}

export type BatchRead =
  { readonly ok: true; readonly batch: BookingBatch } | { readonly ok: false; readonly faults: readonly Fault[] };

/** The good rows of a list. Ids of drives that another booking of the day has already become new ones. */
export function readBookingBatch(csv: string, context: BookingListContext): BatchRead {
  const list = readBookingList(csv, context);
  if (!list.ok) return list;
  const faults = missingColumnFaults(list.preview);
  if (faults.length > 0) return { ok: false, faults };
  const known = new Map(context.bookings.map((stored) => [stored.fields.reference, stored]));
  const taken = new Set(context.bookings.flatMap(({ fields }) => fields.drives.map(({ id }) => id)));
  const added: StoredBooking[] = [];
  const changed: (StoredBooking & { version: number })[] = [];
  const { rows } = list.preview;
  for (const { outcome, fields } of rows) {
    if (!fields) continue;
    const { reference } = fields;
    const before = known.get(reference);
    if (outcome === 'added') added.push({ id: randomUUID(), reference, document: written(fields, taken) });
    if (outcome === 'changed' && before) {
      for (const drive of before.fields.drives) taken.delete(drive.id);
      changed.push({ id: before.id, version: before.version, reference, document: written(fields, taken) });
    }
  }
  const count = (outcome: string) => rows.filter((row) => row.outcome === outcome).length;
  return { ok: true, batch: { added, changed, unchanged: count('unchanged'), faulty: count('faulty') } };
}

function written(fields: BookingFields, taken: Set<string>): string {
  return JSON.stringify(z.encode(bookingFields, withUniqueDrives(fields, taken)));
}

/** Drive ids are unique on a day: one that is taken gets a new one. The drives' ids are taken from then on. */
export function withUniqueDrives(fields: BookingFields, taken: Set<string>): BookingFields {
  const drives = fields.drives.map((drive) => {
    const id = taken.has(drive.id) ? randomUUID() : drive.id;
    taken.add(id);
    return { ...drive, id };
  });
  return { ...fields, drives };
}
