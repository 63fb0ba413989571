import { parentPort } from 'node:worker_threads';
import { readBookingList, type BookingList } from '@exchange/booking-list';
import { readCircuit, type CircuitFormat } from '@exchange/circuit-import';
import type { CircuitRead, CircuitReadOptions } from '@exchange/circuit-read';
import { readRosterIcal, type RosterRead } from '@exchange/roster-ical';
import { importPreview, type StandingCone } from '@core/api';
import '@words/en/schema-issues';
import * as z from 'zod';
import { contextOf, readBookingBatch, type BatchRead, type ListSituation } from './booking-batch';
import { readCars, readCrew, type CarsToRead, type CrewToRead, type RecordsRead } from './record-lists';
import { standingCones, type ConesToPlace } from './standing-cones';

/** A file from outside, and what is to be known to read it; or the venue's own circuit, to be computed. */
export type ImportOrder =
  | { readonly kind: 'preview'; readonly text: string; readonly situation: ListSituation }
  | { readonly kind: 'bookings'; readonly text: string; readonly situation: ListSituation }
  | {
      readonly kind: 'circuit';
      readonly text: string;
      readonly format: CircuitFormat;
      readonly options: CircuitReadOptions;
    }
  | ({ readonly kind: 'cars'; readonly text: string } & CarsToRead)
  | ({ readonly kind: 'crew'; readonly text: string } & CrewToRead)
  | ({ readonly kind: 'cones' } & ConesToPlace)
  | { readonly kind: 'roster'; readonly text: string; readonly context: Parameters<typeof readRosterIcal>[1] };

export interface ImportResults {
  /** The preview as it travels, encoded here so that the main thread need not. */
  readonly preview: { readonly ok: true; readonly json: string } | Extract<BookingList, { ok: false }>;
  readonly bookings: BatchRead;
  readonly cars: RecordsRead;
  readonly crew: RecordsRead;
  readonly circuit: CircuitRead;
  readonly cones: StandingCone[];
  readonly roster: RosterRead;
}

export type ImportReport =
  | { readonly id: number; readonly read: ImportResults[keyof ImportResults] }
  | { readonly id: number; readonly failed: string };

function read(order: ImportOrder): ImportResults[keyof ImportResults] {
  switch (order.kind) {
    case 'preview': {
      const list = readBookingList(order.text, contextOf(order.situation));
      return list.ok ? { ok: true, json: JSON.stringify(z.encode(importPreview, list.preview)) } : list;
    }
    case 'bookings':
      return readBookingBatch(order.text, contextOf(order.situation));
    case 'cars':
      return readCars(order.text, order);
    case 'crew':
      return readCrew(order.text, order);
    case 'circuit':
      return readCircuit(order.text, order.format, order.options);
    case 'cones':
      return standingCones(order);
    case 'roster':
      return readRosterIcal(order.text, order.context);
  }
}

// Whatever a file makes a parser do, it does it to nobody else's objects.
for (const shared of [Object, Array, Function, String, Number, Map, Set, Date]) Object.freeze(shared.prototype);

parentPort!.on('message', ({ id, order }: { readonly id: number; readonly order: ImportOrder }) => {
  const tell = (report: ImportReport) => parentPort!.postMessage(report);
  try {
    tell({ id, read: read(order) });
  } catch (error) {
    tell({ id, failed: (error as Error).message });
  }
});
