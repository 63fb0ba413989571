import {
  deviceBody,
  deviceLine,
  type Device,
  type DeviceLine,
  type DeviceReceipt,
  type DeviceRefusal,
  type LivePositions,
  type TrackedCar,
} from '@core/api';
import { fact, secondsOf } from '@core/values';
import { BY_ID, wordsIn } from '@words';
import { notFound, Refusal, refusalOf } from '../../base/refusal';
import type { Common } from '../common';
import type { DeviceRow } from '../../store/devices';
import { isSigned } from './signature';

/** A device that says nothing for so long has fallen silent. */
const SILENT_AFTER_MS = 6000;
const WATCH_MS = 1000;
/** What has been heard is written down at least this often; with each crossing in any case. */
const KEEP_MS = 5000;
/** How far a device's time may be ahead of the venue's clock. */
const AHEAD_S = 5;

/** So many lines one request may hold. */
const MOST_LINES = 1000;
/** What anybody can send who has no key: counted for as long as the server runs, neither stored nor told to the screens. */
const STRANGE: ReadonlySet<DeviceRefusal['code']> = new Set(['notALine', 'wrongSignature', 'sentBefore']);
/** As which a refused line is counted. */
const COUNTED_AS = {
  notALine: 'malformed',
  notABody: 'malformed',
  wrongSignature: 'unsigned',
  sentBefore: 'replayed',
  unknownTransponder: 'unusable',
  clockAhead: 'unusable',
  notTaken: 'unusable',
} as const satisfies Record<DeviceRefusal['code'], string>;

/** Where cars were, as screens are told. */
interface Placed {
  readonly date: string;
  readonly positions: LivePositions;
}

interface Taken {
  readonly crossing: boolean;
  readonly placed?: Placed;
}

type Counts = Pick<DeviceRow, (typeof COUNTED_AS)[keyof typeof COUNTED_AS] | 'last_refusal'>;

interface Known {
  row: DeviceRow;
  /** What is no device's own, beside what is stored. */
  strange: Counts;
  keptMs: number;
  silent: boolean;
}

/** Takes in what timing loops and trackers send: crossings into the journal, positions straight on to the screens. */
export class DeviceService {
  private readonly known = new Map<string, Known>();
  private readonly watch = setInterval(() => this.listenForSilence(), WATCH_MS);

  constructor(
    private readonly services: Pick<Common, 'store' | 'dayCache' | 'journal' | 'hub' | 'clock'>,
    private readonly nowMs: () => number = Date.now,
  ) {
    this.watch.unref();
  }

  /** What has been heard of each device. */
  list(): Device[] {
    return this.services.store.devices.list().map(({ id }) => {
      const { row, strange } = this.of(id);
      return view(row, strange, this.isSilent(row));
    });
  }

  /** @throws Refusal 404 where there is no such device */
  mustKnow(id: string): void {
    this.of(id);
  }

  /**
   * Takes in lines of JSON. Each is judged for itself: a faulty one is refused and counted, and the others are taken.
   *
   * @throws Refusal 404 where there is no such device, 429 where there are too many lines
   */
  receive(id: string, text: string): DeviceReceipt {
    const known = this.of(id);
    const lines = text.split('\n');
    if (lines.length > MOST_LINES) throw refusalOf(fact('tooManyLines', {}, { most: MOST_LINES }));
    const refused: DeviceReceipt['refused'] = [];
    let accepted = 0;
    let important = false;
    let latest: Placed | undefined;
    lines.forEach((line, place) => {
      if (line.trim() === '') return;
      const outcome = this.take(known.row, line);
      if ('code' in outcome) {
        const reason = wordsIn('en', BY_ID).deviceRefusal(outcome);
        const isStrange = STRANGE.has(outcome.code);
        const counts: Counts = isStrange ? known.strange : known.row;
        counts[COUNTED_AS[outcome.code]] += 1;
        known.strange.last_refusal = null;
        counts.last_refusal = reason;
        refused.push({ line: place + 1, reason, fact: outcome });
        important ||= !isStrange;
      } else {
        accepted += 1;
        important ||= outcome.crossing;
        latest = outcome.placed ?? latest;
      }
    });
    // Screens are told where cars are now; where they were in between is kept.
    if (latest) this.services.hub.positions(latest.date, latest.positions);
    known.row.accepted += accepted;
    if (accepted > 0) known.row.heard_at = new Date(this.nowMs()).toISOString();
    if (important || (accepted > 0 && this.nowMs() - known.keptMs > KEEP_MS)) this.keep(known);
    const isNews = refused.some((one) => !STRANGE.has(one.fact.code)) || (accepted > 0 && known.silent);
    if (isNews) this.services.hub.changed('devices');
    if (accepted > 0) known.silent = false;
    return { accepted, refused };
  }

  /** Forgets what it has read of a device that is gone, or of all where the tables have been filled anew. */
  forget(id?: string): void {
    if (id === undefined) this.known.clear();
    else this.known.delete(id);
  }

  close(): void {
    clearInterval(this.watch);
    for (const known of this.known.values()) this.keep(known);
    this.services.store.tracks.flushAll();
  }

  private take(row: DeviceRow, text: string): Taken | DeviceRefusal {
    const line = parsed(text);
    if (!line) return fact('notALine', {});
    if (!isSigned(row.key, line)) return fact('wrongSignature', {});
    if (line.seq <= row.last_seq) return fact('sentBefore', {}, { seq: line.seq, lastSeq: row.last_seq });
    const body = deviceBody.safeParse(json(line.body));
    if (!body.success) return fact('notABody', {});
    const [wallDate = '', time = ''] = line.time.split('T');
    const wallS = secondsOf(time.slice(0, 8)) + Number(time.slice(9)) / 1000;
    const { date, atS } = this.services.dayCache.eventDayAt(wallDate, wallS);
    if (body.data.kind !== 'crossing') {
      row.last_seq = line.seq;
      if (body.data.kind !== 'positions') return { crossing: false };
      return { crossing: false, placed: this.place(date, atS, body.data.cars) };
    }
    // A crossing that cannot be stored, for whatever reason but its own, may be sent again: its number is taken with it.
    const used = { ...row, last_seq: line.seq };
    const outcome = this.crossed(used, line, body.data.transponder, { date, atS });
    row.last_seq = used.last_seq;
    return outcome;
  }

  /** Brings a crossing into the journal, in one transaction with its number. */
  private crossed(
    row: DeviceRow,
    { seq, time }: DeviceLine,
    transponder: string,
    { date, atS }: { readonly date: string; readonly atS: number },
  ): Taken | DeviceRefusal {
    const car = this.services.dayCache.devicesSee().carOf.get(transponder);
    if (car === undefined) return fact('unknownTransponder', { transponder });
    try {
      const at = Math.floor(atS);
      const ms = Math.min(999, Math.round((atS - at) * 1000));
      if (atS > this.services.dayCache.nowS(date) + AHEAD_S) return fact('clockAhead', {}, { time });
      const entry = {
        id: `${row.id}${row.series && `-${row.series}`}-${seq}`.padStart(8, '0'),
        at,
        ms,
        by: row.name,
        kind: 'lineCrossed',
        car,
      } as const;
      this.services.journal.append(date, entry, () => this.services.store.devices.put(row));
      return { crossing: true };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return fact('notTaken', {}, { why: error.message });
    }
  }

  /** Keeps where cars were on a day that there is. */
  private place(date: string, atS: number, seen: readonly TrackedCar[]): Placed {
    const { carOf, lapLengthM } = this.services.dayCache.devicesSee();
    const known = seen.flatMap(({ transponder, atM, leftM }) => {
      const car = carOf.get(transponder);
      return car === undefined ? [] : [{ car, place: (atM / lapLengthM) % 1, leftM }];
    });
    if (this.services.store.days.has(date)) {
      for (const { car, place, leftM } of known) {
        this.services.store.tracks.add(date, car, atS, place * lapLengthM, leftM);
      }
    }
    return { date, positions: { atS, cars: known.map(({ car, place }) => ({ car, place })) } };
  }

  private of(id: string): Known {
    const known = this.known.get(id);
    if (known) return known;
    const row = this.services.store.devices.get(id);
    if (!row) throw notFound('device', id);
    const strange = { malformed: 0, unsigned: 0, replayed: 0, unusable: 0, last_refusal: null };
    const read = { row, strange, keptMs: this.nowMs(), silent: this.isSilent(row) };
    this.known.set(id, read);
    return read;
  }

  private keep(known: Known): void {
    known.keptMs = this.nowMs();
    this.services.store.devices.put(known.row);
  }

  private isSilent({ heard_at }: DeviceRow): boolean {
    return heard_at !== null && this.nowMs() - Date.parse(heard_at) > SILENT_AFTER_MS;
  }

  private listenForSilence(): void {
    for (const known of this.known.values()) {
      if (known.silent || !this.isSilent(known.row)) continue;
      known.silent = true;
      this.keep(known);
      this.services.hub.changed('devices');
    }
  }
}

function view(row: DeviceRow, strange: Counts, silent: boolean): Device {
  const { id, name, kind, accepted, unusable } = row;
  const state = row.heard_at === null ? 'never' : silent ? 'silent' : 'heard';
  return {
    ...{ id, name, kind, state, accepted, unusable },
    malformed: row.malformed + strange.malformed,
    unsigned: row.unsigned + strange.unsigned,
    replayed: row.replayed + strange.replayed,
    heardAt: row.heard_at,
    lastRefusal: strange.last_refusal ?? row.last_refusal,
  };
}

function parsed(text: string): DeviceLine | undefined {
  return deviceLine.safeParse(json(text)).data;
}

function json(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
