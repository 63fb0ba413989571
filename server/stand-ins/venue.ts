import { EventSource } from 'eventsource';
import {
  addressOf,
  clock as clockReading,
  contract,
  dayView,
  problem,
  readEvent,
  STREAM_EVENT_NAMES,
  type StreamEvent,
  type ClockReading,
  type DayView,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type ReplyOf,
} from '@core/api';
import { contextOf, RunningJournal, stateAt, type DayContext, type DayState, type RecordedEntry } from '@core/journal';
import { pino } from 'pino';
import * as z from 'zod';

const RETRY_MS = 1000;
const CLOCK_EVERY_MS = 10_000;
const UNTIL_EVERY_MS = 2000;
/** What leaves the day as it is. */
const NOT_THE_DAY = new Set(['planning', 'bound', 'devices', 'practice']);

export const logger = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });

/** What the server said to a request that it did not take. */
export class Refused extends Error {}

/**
 * The venue's day as a stand-in beside the server sees it: read once, then kept by the stream like a screen. `JOYLAP_URL`
 * is the server; it ends with the process `JOYLAP_UNTIL`, where one is given.
 */
export class Venue {
  readonly url = process.env['JOYLAP_URL'] ?? 'http://127.0.0.1:4700';
  view: DayView | undefined;
  private clock: { readonly reading: ClockReading; readonly atMs: number } | undefined;
  private context: DayContext | undefined;
  private journal: RunningJournal | undefined;
  private lastSeq = 0;
  /** What has come while the day was being read. */
  private heard: RecordedEntry[] = [];
  private reading: Promise<void> | undefined;
  private stale = false;
  private stream: EventSource | undefined;

  /**
   * @param onDay called when the day has been read, at first and whenever it has changed
   * @param onChanged called with whatever has changed
   */
  constructor(
    private readonly onDay: (view: DayView) => Promise<void> | void = () => undefined,
    private readonly onChanged: (what: string) => void = () => undefined,
  ) {}

  /** Resolves once the day has been read; tries until the server answers. */
  async follow(): Promise<void> {
    await this.again(() => this.readDay());
    setInterval(() => void this.again(() => this.readClock()), CLOCK_EVERY_MS);
    const until = Number(process.env['JOYLAP_UNTIL'] ?? 0);
    if (until > 0) setInterval(() => isRunning(until) || process.exit(0), UNTIL_EVERY_MS);
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
  }

  /** The venue's time: of its date, seconds since midnight. */
  now(): { readonly date: string; readonly nowS: number; readonly rate: number } | undefined {
    if (!this.clock) return undefined;
    const { secondsOfDay, rate, date } = this.clock.reading;
    const nowS = Math.min(86_399, secondsOfDay + ((performance.now() - this.clock.atMs) / 1000) * rate);
    return { date, nowS, rate };
  }

  /** The day of the clock and its state at a time; nothing while it is being read. */
  day(nowS: number): { readonly context: DayContext; readonly state: DayState } | undefined {
    if (!this.context || !this.journal || this.view?.day.date !== this.clock?.reading.date) return undefined;
    return { context: this.context, state: stateAt(this.context, this.journal.now(), nowS) };
  }

  /** Reads the day again where the clock has gone on to another. */
  async keepUp(): Promise<void> {
    if (this.view?.day.date !== this.clock?.reading.date) await this.readDay();
  }

  /** @throws Refused where the server does not take it, TypeError where it cannot be reached */
  async call<E extends Endpoint & { readonly reply: z.ZodType }>(
    endpoint: E,
    request: { params?: ParamsOf<E>; body?: BodyOf<E> } = {},
  ): Promise<ReplyOf<E>> {
    const { body: schema } = endpoint;
    const sent =
      schema instanceof z.ZodType
        ? { body: JSON.stringify(z.encode(schema, request.body)), headers: { 'content-type': 'application/json' } }
        : schema && { body: request.body as Uint8Array<ArrayBuffer>, headers: { 'content-type': schema.media } };
    const method = endpoint.method.toUpperCase();
    const response = await fetch(`${this.url}${addressOf(endpoint, request.params)}`, { method, ...sent });
    const reply: unknown = await response.json();
    if (!response.ok) throw new Refused(problem.safeParse(reply).data?.detail ?? String(response.status));
    return z.decode(endpoint.reply, reply) as ReplyOf<E>;
  }

  /** Takes in an entry that the server has recorded. */
  take(recorded: RecordedEntry): void {
    if (this.reading) this.heard.push(recorded);
    if (!this.journal || recorded.seq <= this.lastSeq) return;
    if (recorded.seq > this.lastSeq + 1) return void this.again(() => this.readDay());
    this.lastSeq = recorded.seq;
    this.journal.add(recorded);
    if (recorded.entry.kind === 'timesSlid') this.goBySlides();
  }

  private goBySlides(): void {
    this.context = contextOf(this.view!, this.view!.journal);
    this.journal!.goBy(this.context);
  }

  private async readClock(): Promise<void> {
    const reading = clockReading.parse(await this.get(addressOf(contract.readClock)));
    this.clock = { reading, atMs: performance.now() };
  }

  /** Reads the day; asked for again meanwhile, it is read once more. */
  private readDay(): Promise<void> {
    this.stale = this.reading !== undefined;
    this.reading ??= this.readUntilFresh().finally(() => (this.reading = undefined));
    return this.reading;
  }

  private async readUntilFresh(): Promise<void> {
    do {
      this.stale = false;
      this.heard = [];
      await this.readClock();
      const { date } = this.clock!.reading;
      this.listen(date);
      this.begin(dayView.parse(await this.get(addressOf(contract.readDay, { date }))));
      await this.onDay(this.view!);
    } while (this.stale);
  }

  private begin(view: DayView): void {
    this.view = view;
    this.lastSeq = view.journal.at(-1)?.seq ?? 0;
    this.context = contextOf(view, view.journal);
    this.journal = new RunningJournal(this.context, view.journal);
    for (const recorded of this.heard.splice(0)) this.take(recorded);
  }

  private listen(date: string): void {
    if (this.stream?.url.endsWith(`/${date}/stream`)) return;
    this.stream?.close();
    this.stream = new EventSource(`${this.url}${addressOf(contract.streamDay, { date })}`);
    for (const name of STREAM_EVENT_NAMES) {
      this.stream.addEventListener(name, ({ data }: MessageEvent<string>) => this.hear(readEvent(name, data)));
    }
  }

  private hear(event: StreamEvent): void {
    if (event.name === 'entry') this.take(event.data);
    else if (event.name === 'day') void this.again(() => this.readDay());
    else if (event.name === 'changed') {
      const { what } = event.data;
      if (what === 'clock') void this.again(() => this.readClock());
      else if (!NOT_THE_DAY.has(what)) void this.again(() => this.readDay());
      this.onChanged(what);
    }
  }

  private async get(path: string): Promise<unknown> {
    const response = await fetch(`${this.url}${path}`);
    if (!response.ok) throw new Refused(`${path}: ${response.status}`);
    return response.json();
  }

  private async again(task: () => Promise<void>): Promise<void> {
    for (;;) {
      try {
        return await task();
      } catch (error) {
        logger.info({ error: (error as Error).message }, 'waiting for the server');
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  }
}

/** Runs a task again and again, never two at once; what it throws is logged. */
export function every(ms: number, task: () => Promise<void>): void {
  let busy = false;
  setInterval(() => {
    if (busy) return;
    busy = true;
    task()
      .catch((error: unknown) => logger.info({ error: (error as Error).message }, 'not done'))
      .finally(() => (busy = false));
  }, ms);
}

function isRunning(pid: number): boolean {
  try {
    return process.kill(pid, 0);
  } catch {
    return false;
  }
}
