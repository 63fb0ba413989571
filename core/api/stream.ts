import { recordedEntry } from '../journal';
import * as z from 'zod';
import { dayPatch } from './day-patch';
import { livePositions } from './devices';
import { runningFlag } from './flags';
import { planProgress } from './planning';

/** What else than the journal may have changed, so that a screen knows to read it again. */
const CHANGED = [
  'bookings',
  'plan',
  'setup',
  'clock',
  'reset',
  'planning',
  'bound',
  'devices',
  'phones',
  'practice',
  'erased',
] as const;
export type ChangedWhat = (typeof CHANGED)[number];

/** What the stream of a day tells, by the names of its events: the contract of those who write and those who read it. */
const streamEvents = {
  entry: recordedEntry,
  /** What has changed in the day, for those who have read it. */
  day: dayPatch,
  /** To be read again. */
  changed: z.object({ what: z.enum(CHANGED) }),
  planning: planProgress,
  positions: livePositions,
  flag: runningFlag,
  /** A sign of life. */
  heartbeat: z.object({}),
} as const;

export type StreamEventName = keyof typeof streamEvents;
export type StreamEvent = {
  [N in StreamEventName]: { readonly name: N; readonly data: z.output<(typeof streamEvents)[N]> };
}[StreamEventName];

export const STREAM_EVENT_NAMES = Object.keys(streamEvents) as readonly StreamEventName[];

/**
 * An event as it is written to the stream.
 *
 * @param id from which on a reader asks for what it missed
 */
export function writtenEvent({ name, data }: StreamEvent, id?: number): string {
  return writtenAs(name, z.encode(streamEvents[name] as z.ZodType, data), id);
}

/** The same for what is in the form in which it travels already. */
export function writtenAs(name: StreamEventName, data: unknown, id?: number): string {
  return `${id === undefined ? '' : `id: ${id}\n`}event: ${name}\ndata: ${JSON.stringify(data)}\n\n`;
}

/** @throws ZodError where the text is not what the contract says */
export function readEvent(name: StreamEventName, text: string): StreamEvent {
  return { name, data: streamEvents[name].parse(JSON.parse(text)) } as StreamEvent;
}
