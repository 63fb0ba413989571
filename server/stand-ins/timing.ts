import { EventSource } from 'eventsource';
import {
  clock as clockReading,
  contract,
  dayView,
  storedCircuit,
  type ClockReading,
  type DayView,
  type DeviceBody,
} from '@core/api';
import { wallClock } from '@core/day';
import { contextOf, recordedEntry, stateOf, type DayContext, type RecordedEntry } from '@core/journal';
import { randomOf } from '@core/planner';
import { lapShapeOf } from '@core/traffic';
import { pino } from 'pino';
import { signatureOf } from '../devices/signature';
import { asTaught, type AsTaught } from './as-taught';
import { CircuitTraffic } from './circuit-traffic';

/**
 * A timing loop and car trackers without hardware: follows the journal of the venue's day and drives the cars round that
 * are let out. `JOYLAP_URL` is the server, `JOYLAP_DEVICE_KEY` the key of both devices, `JOYLAP_LOOP` and
 * `JOYLAP_TRACKERS` their ids; `JOYLAP_MISSED` and `JOYLAP_DOUBLE` are shares of the crossings that go wrong. It ends with
 * the process `JOYLAP_UNTIL`, where one is given.
 */
const url = process.env['JOYLAP_URL'] ?? 'http://127.0.0.1:4700';
const key = process.env['JOYLAP_DEVICE_KEY'] ?? '';
const loop = process.env['JOYLAP_LOOP'] ?? 'loop';
const trackers = process.env['JOYLAP_TRACKERS'] ?? 'trackers';
const rates = {
  missed: Number(process.env['JOYLAP_MISSED'] ?? 0.02),
  double: Number(process.env['JOYLAP_DOUBLE'] ?? 0.01),
};
const logger = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });

/** How often lines are sent. */
const TICK_MS = 200;
/** Trackers tell where cars are five times a second of venue time, however fast the demo's clock runs. */
const POSITION_EVERY_S = 0.2;
const ALIVE_MS = 2000;
/** The clock has been set, not run on. */
const JUMP_S = 30;
const RETRY_MS = 1000;

let clock: { reading: ClockReading; atMs: number } | undefined;
let view: DayView | undefined;
let context: DayContext | undefined;
let entries: RecordedEntry[] = [];
let traffic: CircuitTraffic | undefined;
let stream: EventSource | undefined;
let lastS: number | undefined;
let seq = Date.now();
let aliveMs = 0;
/** Lines that could not be sent: crossings wait, positions are out of date by then. */
const unsent: string[] = [];

async function read<T>(path: string, parse: (json: unknown) => T): Promise<T> {
  const response = await fetch(`${url}${path}`);
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  return parse(await response.json());
}

async function readClock(): Promise<void> {
  const reading = await read('/api/clock', (json) => clockReading.parse(json));
  clock = { reading, atMs: performance.now() };
}

async function readDay(): Promise<void> {
  await readClock();
  const { date } = clock!.reading;
  const read_ = await read(`/api/days/${date}`, (json) => dayView.parse(json));
  const shapeChanged = JSON.stringify(view?.map) !== JSON.stringify(read_.map);
  view = read_;
  entries = view.journal;
  context = contextOf(view, entries);
  if (!traffic || shapeChanged) {
    const seed = Number(process.env['JOYLAP_SEED'] ?? 1);
    const taught = await taughtFor(view);
    const shape = lapShapeOf(taught?.map ?? view.map ?? undefined);
    const { lapLengthM } = view.day.circuit;
    traffic = new CircuitTraffic(shape, lapLengthM, rates, (id) => randomOf(seed, id), taught?.leftM);
  }
  follow(date);
}

/** How laps are driven, as far as the venue has a circuit. */
async function taughtFor({ map }: DayView): Promise<AsTaught | undefined> {
  const { circuit } = await read('/api/circuit', (json) => storedCircuit.parse(json));
  if (!circuit || !map) return undefined;
  const { cars } = await read('/api/cars', (json) => contract.listCars.reply.parse(json));
  const fleet = cars.flatMap(({ id, fields: { name, number, level, model } }) =>
    model ? [{ id, name, number, level, model }] : [],
  );
  return asTaught(circuit, map, fleet);
}

function follow(date: string): void {
  if (stream?.url.endsWith(`/${date}/stream`)) return;
  stream?.close();
  stream = new EventSource(`${url}/api/days/${date}/stream`);
  stream.addEventListener('entry', ({ data }: MessageEvent<string>) => {
    const recorded = recordedEntry.parse(JSON.parse(data));
    if (!entries.some(({ seq: known }) => known === recorded.seq)) entries = [...entries, recorded];
  });
  stream.addEventListener('changed', ({ data }: MessageEvent<string>) => {
    const { what } = JSON.parse(data) as { what: string };
    if (what === 'clock') void again(readClock);
    else if (what !== 'planning' && what !== 'devices') void again(readDay);
    if (what === 'reset') traffic?.forget();
  });
}

/** Tries until the server answers. */
async function again(task: () => Promise<void>): Promise<void> {
  for (;;) {
    try {
      return await task();
    } catch (error) {
      logger.info({ error: (error as Error).message }, 'waiting for the server');
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
    }
  }
}

function signed(date: string, atS: number, body: DeviceBody): string {
  // Thousandths first, so that 59.9996 becomes the next minute and not second 60.
  const ms = Math.round(atS * 1000);
  const text = wallClock(Math.floor(ms / 1000));
  const time = `${date}T${text.length === 5 ? `${text}:00` : text}.${String(ms % 1000).padStart(3, '0')}`;
  const line = { time, seq: ++seq, body: JSON.stringify(body) };
  return JSON.stringify({ ...line, mac: signatureOf(key, line) });
}

async function send(device: string, lines: readonly string[]): Promise<void> {
  const response = await fetch(`${url}/api/devices/${device}/lines`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-ndjson' },
    body: lines.join('\n'),
  });
  const receipt = (await response.json()) as { refused?: { reason: string }[] };
  for (const { reason } of receipt.refused ?? []) logger.info({ device, reason }, 'refused');
}

async function tick(): Promise<void> {
  if (!clock || !context || !view || !traffic) return;
  const { secondsOfDay, rate, date } = clock.reading;
  if (date !== view.day.date) return again(readDay);
  const nowS = Math.min(86_399, secondsOfDay + ((performance.now() - clock.atMs) / 1000) * rate);
  const fromS = lastS;
  lastS = nowS;
  if (fromS === undefined || nowS < fromS || nowS - fromS > JUMP_S) return traffic.forget();
  const state = stateOf(context, entries, nowS);
  const positions: string[] = [];
  const steps = Math.max(1, Math.round((nowS - fromS) / POSITION_EVERY_S));
  for (let step = 1; step <= steps; step++) {
    const [beginS, endS] = [step - 1, step].map((end) => fromS + ((nowS - fromS) * end) / steps) as [number, number];
    for (const { atS, body } of traffic.drive(context, state, beginS, endS)) {
      unsent.push(signed(date, Math.min(atS, nowS), body));
    }
    const cars = traffic.positions();
    if (cars.length > 0) positions.push(signed(date, endS, { kind: 'positions', cars }));
  }
  const alive = performance.now() - aliveMs > ALIVE_MS;
  if (alive) aliveMs = performance.now();
  if (unsent.length > 0 || alive) {
    const lines = [...unsent, ...(alive ? [signed(date, nowS, { kind: 'alive' })] : [])];
    await send(loop, lines);
    unsent.length = 0;
  }
  if (alive && positions.length === 0) positions.push(signed(date, nowS, { kind: 'alive' }));
  if (positions.length > 0) await send(trackers, positions);
}

function isRunning(pid: number): boolean {
  try {
    return process.kill(pid, 0);
  } catch {
    return false;
  }
}

await again(readDay);
let busy = false;
setInterval(() => {
  if (busy) return;
  busy = true;
  tick()
    .catch((error: unknown) => logger.info({ error: (error as Error).message }, 'not sent'))
    .finally(() => (busy = false));
}, TICK_MS);
setInterval(() => void again(readClock), 10_000);
const until = Number(process.env['JOYLAP_UNTIL'] ?? 0);
if (until > 0) setInterval(() => isRunning(until) || process.exit(0), ALIVE_MS);
process.stdout.write(`Timing loop and trackers (stand-ins) report to ${url}\n`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
