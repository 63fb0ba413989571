import type { DataIssue } from '@core/api';
import { fact, median } from '@core/values';
import { isDeepStrictEqual } from 'node:util';
import type { Store } from '../../store';
import { reportOf } from '../../store/phones';
import type { Hub } from './hub';

const WATCH_MS = 30_000;
/** Clocks of devices differ by less. */
const LEEWAY_MS = 5 * 60_000;
/** What a device said of its clock counts for so long. */
const HEARD_MS = 10 * 60_000;

/**
 * Whether this server can be believed: its clock, by what is written already and by the clocks of the phones; its data, by
 * what phones know that it has lost.
 */
export class ServerWatch {
  /** By phone: how far the server's clock is ahead of its, and when that was said. */
  private readonly ahead = new Map<string, { readonly byMs: number; readonly heardMs: number }>();
  private latestMs: number;
  private told: DataIssue[] = [];
  private readonly watch = setInterval(() => this.look(), WATCH_MS);

  constructor(
    private readonly store: Store,
    private readonly hub: Hub,
    /** Whether entries are stamped with real time: the demo's are not. */
    inRealTime: boolean,
    private readonly nowMs: () => number = Date.now,
  ) {
    this.watch.unref();
    const written = inRealTime ? store.journal.lastRecordedAt() : null;
    this.latestMs = written === null ? 0 : Date.parse(written);
    this.look();
  }

  dataIssues(): readonly DataIssue[] {
    return this.told;
  }

  /** @param deviceMs what the clock of a phone shows, in ms since 1970 */
  heard(phone: string, deviceMs: number | undefined): void {
    const heardMs = this.nowMs();
    if (deviceMs !== undefined) this.ahead.set(phone, { byMs: heardMs - deviceMs, heardMs });
    this.look();
  }

  close(): void {
    clearInterval(this.watch);
  }

  private look(): void {
    const dataIssues = [...this.clockIssues(), ...this.lostIssues()];
    if (isDeepStrictEqual(dataIssues, this.told)) return;
    this.told = dataIssues;
    this.hub.changed('setup');
  }

  private clockIssues(): DataIssue[] {
    const nowMs = this.nowMs();
    const back = this.latestMs - nowMs;
    this.latestMs = Math.max(this.latestMs, nowMs);
    for (const [phone, { heardMs }] of this.ahead) if (nowMs - heardMs > HEARD_MS) this.ahead.delete(phone);
    const ahead = [...this.ahead.values()].map(({ byMs }) => byMs);
    const byMs = ahead.length === 0 ? 0 : median(ahead);
    return [
      ...(back > LEEWAY_MS ? [issue(fact('clockSetBack', {}, { lastAt: new Date(this.latestMs).toISOString() }))] : []),
      ...(Math.abs(byMs) > LEEWAY_MS
        ? [issue(fact('clockOff', {}, { aheadMin: Math.round(byMs / 60_000), devices: ahead.length }))]
        : []),
    ];
  }

  private lostIssues(): DataIssue[] {
    return this.store.phones.list().flatMap((phone) => {
      const count = reportOf(phone)?.aside ?? 0;
      return count > 0 ? [issue(fact('knownByPhone', { phone: phone.name }, { count }))] : [];
    });
  }
}

const issue = (what: DataIssue['fact']): DataIssue => ({ place: 'devices', fact: what, path: '', message: '' });
