import type { Request, Response } from 'express';
import {
  writtenAs,
  writtenEvent,
  type ChangedWhat,
  type LivePositions,
  type PlanProgress,
  type RunningFlag,
  type WrittenPatch,
} from '@core/api';
import type { RecordedEntry } from '@core/journal';
import { fact } from '@core/values';
import { refusalOf } from '../../base/refusal';

const HEARTBEAT_MS = 10_000;
/** A reader that lets so much wait is dropped: its browser comes back by itself, and gets what it missed. */
export const MOST_WAITING_BYTES = 2_000_000;
/** Open streams, of one address (a venue's tablets may share one) and of all. */
export const MOST_STREAMS_AN_ADDRESS = 120;
const MOST_STREAMS = 600;

interface Listener {
  readonly date: string;
  /** The page that listens, where it says so. */
  readonly page?: string | undefined;
  readonly address: string;
}

/**
 * Server-sent events to every open screen. Journal entries carry their sequence number as event id, so that a screen
 * that was away gets what it missed; a day that has changed is told by what has changed in it; the rest is told by name only
 * and read anew.
 */
export class Hub {
  private readonly listeners = new Map<Response, Listener>();
  private readonly heartbeat = setInterval(
    () => this.write(this.listeners.keys(), writtenEvent({ name: 'heartbeat', data: {} })),
    HEARTBEAT_MS,
  );

  private greeting: (() => RunningFlag) | undefined;
  private left: (() => void) | undefined;

  constructor() {
    this.heartbeat.unref();
  }

  /** How many screens are connected. */
  get screens(): number {
    return this.listeners.size;
  }

  /** The pages that are connected and say which they are. */
  get pages(): ReadonlySet<string | undefined> {
    return new Set([...this.listeners.values()].map(({ page }) => page));
  }

  /** What every stream begins with: the flag that is in force; and who hears that a screen has left. */
  greetWith(flag: () => RunningFlag, left: () => void): void {
    this.greeting = flag;
    this.left = left;
  }

  /**
   * Keeps a response open as a stream of one day, beginning with what was missed.
   *
   * @throws Refusal 429 where there are too many streams
   */
  listen(response: Response, { date, page }: Pick<Listener, 'date' | 'page'>, missed: readonly RecordedEntry[]): void {
    // Whoever has gone while the reply was made is told of by no event any more, and would count as a screen for good.
    if (response.destroyed) return;
    const address = response.req.socket.remoteAddress ?? '';
    const same = [...this.listeners.values()].filter((other) => other.address === address).length;
    if (same >= MOST_STREAMS_AN_ADDRESS || this.listeners.size >= MOST_STREAMS) {
      throw refusalOf(fact('tooManyStreams', {}));
    }
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
      'x-accel-buffering': 'no',
    });
    response.write('retry: 1000\n\n');
    this.listeners.set(response, { date, page, address });
    if (this.greeting) response.write(writtenEvent({ name: 'flag', data: this.greeting() }));
    for (const entry of missed) response.write(entryEvent(entry));
    response.on('close', () => {
      this.listeners.delete(response);
      this.left?.();
    });
  }

  entry(date: string, entry: RecordedEntry): void {
    this.write(this.of(date), entryEvent(entry));
  }

  /** @param date the day that changed, or nothing where it concerns all */
  changed(what: ChangedWhat, date?: string): void {
    const to = date === undefined ? this.listeners.keys() : this.of(date);
    this.write(to, writtenEvent({ name: 'changed', data: { what } }));
  }

  /** The flag in force, to all. */
  flag(flag: RunningFlag): void {
    this.write(this.listeners.keys(), writtenEvent({ name: 'flag', data: flag }));
  }

  /** What has changed in a day, as it travels. */
  day(date: string, patch: WrittenPatch): void {
    this.write(this.of(date), writtenAs('day', patch));
  }

  /** How far the search for a plan has come. */
  planning(date: string, progress: PlanProgress): void {
    this.write(this.of(date), writtenEvent({ name: 'planning', data: progress }));
  }

  /** Where the cars are. */
  positions(date: string, positions: LivePositions): void {
    this.write(this.of(date), writtenEvent({ name: 'positions', data: positions }));
  }

  /** Ends the streams of those who may not read any more. */
  end(whose: (request: Request) => boolean): void {
    for (const response of [...this.listeners.keys()]) {
      if (!whose(response.req)) continue;
      this.listeners.delete(response);
      response.end();
    }
  }

  close(): void {
    clearInterval(this.heartbeat);
    this.left = undefined;
    for (const response of this.listeners.keys()) response.end();
    this.listeners.clear();
  }

  private *of(date: string): Iterable<Response> {
    for (const [response, listener] of this.listeners) if (listener.date === date) yield response;
  }

  private write(responses: Iterable<Response>, text: string): void {
    for (const response of responses) {
      if (response.writableLength < MOST_WAITING_BYTES) response.write(text);
      else {
        this.listeners.delete(response);
        response.destroy();
      }
    }
  }
}

function entryEvent(recorded: RecordedEntry): string {
  return writtenEvent({ name: 'entry', data: recorded }, recorded.seq);
}
