import type { Response } from 'express';
import { planProgress, type LivePositions, type PlanProgress } from '@core/api';
import { recordedEntry, type RecordedEntry } from '@core/journal';
import * as z from 'zod';

/** What else than the journal may have changed, so that a screen knows to read it again. */
export type ChangedWhat = 'bookings' | 'plan' | 'setup' | 'clock' | 'reset' | 'planning' | 'devices';

const HEARTBEAT_MS = 10_000;

/**
 * Server-sent events to every open screen. Journal entries carry their sequence number as event id, so that a screen
 * that was away gets what it missed; other changes are told by name only and read anew.
 */
export class Hub {
  private readonly listeners = new Map<Response, string>();
  private readonly heartbeat = setInterval(
    () => this.write(this.listeners.keys(), 'event: heartbeat\ndata: {}\n\n'),
    HEARTBEAT_MS,
  );

  constructor() {
    this.heartbeat.unref();
  }

  /** Keeps a response open as a stream of one day, beginning with what was missed. */
  listen(response: Response, date: string, missed: readonly RecordedEntry[]): void {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
      'x-accel-buffering': 'no',
    });
    response.write('retry: 1000\n\n');
    for (const entry of missed) response.write(entryEvent(entry));
    this.listeners.set(response, date);
    response.on('close', () => this.listeners.delete(response));
  }

  entry(date: string, entry: RecordedEntry): void {
    this.write(this.of(date), entryEvent(entry));
  }

  /** @param date the day that changed, or nothing where it concerns all */
  changed(what: ChangedWhat, date?: string): void {
    this.write(
      date === undefined ? this.listeners.keys() : this.of(date),
      `event: changed\ndata: ${JSON.stringify({ what })}\n\n`,
    );
  }

  /** How far the search for a plan has come. */
  planning(date: string, progress: PlanProgress): void {
    this.write(this.of(date), `event: planning\ndata: ${JSON.stringify(z.encode(planProgress, progress))}\n\n`);
  }

  /** Where the cars are. */
  positions(date: string, positions: LivePositions): void {
    this.write(this.of(date), `event: positions\ndata: ${JSON.stringify(positions)}\n\n`);
  }

  close(): void {
    clearInterval(this.heartbeat);
    for (const response of this.listeners.keys()) response.end();
    this.listeners.clear();
  }

  private *of(date: string): Iterable<Response> {
    for (const [response, day] of this.listeners) if (day === date) yield response;
  }

  private write(responses: Iterable<Response>, text: string): void {
    for (const response of responses) response.write(text);
  }
}

function entryEvent(entry: RecordedEntry): string {
  return `id: ${entry.seq}\nevent: entry\ndata: ${JSON.stringify(z.encode(recordedEntry, entry))}\n\n`;
}
