import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { carFields } from '@core/venue/fleet';
import { dayView, type DeviceBody } from '@core/api';
import * as z from 'zod';
import { FLEET } from '../demo/larkmere';
import { EventSource } from 'eventsource';
import { createHmac } from 'node:crypto';
import { cutOffText, memoryMb, pause, StalledReader, startServer } from './server';
import { figures, percentile } from './table';

/**
 * `npm run bench:load [-- seconds entries-a-second stay]`: a built server under the load of a full day: 60 open screens
 * and a reader that does not read, 14 cars told five times a second, 50 entries a second; in the middle the server is
 * killed and started again, unless it is to `stay`.
 */
const SECONDS = Number(process.argv[2] ?? 120);
const SCREENS = 60;
const CARS = 14;
const ENTRIES_PER_S = Number(process.argv[3] ?? 50);
const STAYS = process.argv[4] === 'stay';
/** Where it stays, notes are long enough to fill what lies between the server and a reader that does not read. */
const MORE = STAYS ? ' and so on'.repeat(45) : '';
const PORT = 4795;
const BASE = `http://127.0.0.1:${PORT}`;
const SETTLE_MS = 8000;

const folder = mkdtempSync(join(tmpdir(), 'joylap-load-'));

const start = () => startServer('start', { PORT: String(PORT), JOYLAP_DATA: folder });

async function call<T>(path: string, body?: unknown): Promise<T> {
  const headers = { 'content-type': 'application/json' };
  const post = { method: 'POST', headers, body: JSON.stringify(body) };
  return (await (await fetch(`${BASE}${path}`, body === undefined ? {} : post)).json()) as T;
}

/** The venue's time of day; a new venue's clock is UTC. */
const venueTime = (digits: number) => new Date().toISOString().slice(11, digits);

/** When each entry was sent, and how long it took to each screen. */
const sentMs = new Map<string, number>();
const acknowledged = new Set<string>();
const tookMs: number[] = [];
const screens = Array.from({ length: SCREENS }, () => ({ seen: new Set<string>(), lastSeq: 0, positions: 0 }));
let restarted = false;
let date = '';
let key = '';

function open(screen: (typeof screens)[number]): EventSource {
  const source = new EventSource(`${BASE}/api/days/${date}/stream`);
  source.addEventListener('entry', ({ data }) => {
    const { seq, entry } = JSON.parse(data) as { seq: number; entry: { id: string } };
    screen.seen.add(entry.id);
    screen.lastSeq = Math.max(screen.lastSeq, seq);
    const sent = sentMs.get(entry.id);
    if (sent !== undefined) tookMs.push(performance.now() - sent);
  });
  source.addEventListener('positions', () => (screen.positions += 1));
  return source;
}

let seq = Date.now();
async function sendPositions(turn: number): Promise<void> {
  const cars = Array.from({ length: CARS }, (_, car) => ({
    transponder: `c${car + 1}`,
    atM: (turn * 6 + car * 160) % 2000,
  }));
  const body = JSON.stringify({ kind: 'positions', cars } satisfies DeviceBody);
  const line = { time: `${date}T${venueTime(23)}`, seq: ++seq, body };
  const mac = createHmac('sha256', key).update(`${line.time}\n${line.seq}\n${body}`).digest('hex');
  await fetch(`${BASE}/api/devices/trackers/lines`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-ndjson' },
    body: JSON.stringify({ ...line, mac }),
  }).catch(() => undefined);
}

/** Sends until the server has it, as a screen does. */
async function enter(number: number): Promise<void> {
  const id = `load-${String(number).padStart(6, '0')}`;
  const entry = {
    id,
    kind: 'noteTaken',
    at: venueTime(19),
    by: `Screen ${number % SCREENS}`,
    text: `Note ${number}${MORE}`,
  };
  sentMs.set(id, performance.now());
  for (;;) {
    const reply = await fetch(`${BASE}/api/days/${date}/journal`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(entry),
    }).catch(() => undefined);
    if (reply?.ok) {
      acknowledged.add(id);
      return;
    }
    // What waited for the server to come back says nothing of how quick it is.
    sentMs.delete(id);
    await pause(500);
  }
}

let server = await start();
const { days } = await call<{ days: { date: string }[] }>('/api/days');
date = days[0]!.date;
for (let car = 1; car <= CARS; car++) {
  await call('/api/cars', z.encode(carFields, { ...FLEET[car % FLEET.length]!, id: `c${car}`, number: car }));
}
key = (await call<{ key: string }>('/api/devices', { id: 'trackers', name: 'Trackers', kind: 'tracker' })).key;
const sources = screens.map(open);
await pause(1500);
const stalled = new StalledReader(PORT, date);
const memory: number[] = [memoryMb(server)];
const pending: Promise<void>[] = [];
const killAt = Math.floor(SECONDS / 2);
let number = 0;
let turn = 0;
const beganMs = performance.now();
const timer = setInterval(() => void sendPositions(turn++), 200);
for (let second = 0; second < SECONDS; second++) {
  for (let part = 0; part < ENTRIES_PER_S; part++) {
    pending.push(enter(number++));
    await pause(Math.max(0, beganMs + (second + (part + 1) / ENTRIES_PER_S) * 1000 - performance.now()));
  }
  if (second % 10 === 9) memory.push(memoryMb(server));
  if (second === killAt && !restarted && !STAYS) {
    restarted = true;
    server.kill('SIGKILL');
    await once(server, 'exit');
    server = await start();
  }
}
clearInterval(timer);
await Promise.all(pending);
await pause(SETTLE_MS);

const view = dayView.parse(await (await fetch(`${BASE}/api/days/${date}`)).json());
const stored = view.journal.filter(({ entry }) => entry.id.startsWith('load-'));
const last = view.journal.at(-1)!.seq;
const { row, print } = figures();
row('screens, entries a second, seconds', `${SCREENS}, ${ENTRIES_PER_S}, ${SECONDS}`);
row(
  'entry to every screen, ms: p50, p95, p99',
  [0.5, 0.95, 0.99].map((share) => percentile(tookMs, share).toFixed(0)).join(', '),
);
row('entries sent, acknowledged, stored', `${number}, ${acknowledged.size}, ${stored.length}`);
row('stored twice', String(stored.length - new Set(stored.map(({ entry }) => entry.id)).size));
row(
  'screens that have every entry after the server was killed',
  String(
    screens.filter(({ seen, lastSeq }) => lastSeq === last && stored.every(({ entry }) => seen.has(entry.id))).length,
  ),
);
row(
  'positions told to a screen, a second',
  (
    percentile(
      screens.map(({ positions }) => positions),
      0.5,
    ) / SECONDS
  ).toFixed(1),
);
row('the reader that does not read was cut off after', cutOffText(stalled));
row('memory of the server, MB', memory.map((mb) => mb.toFixed(0)).join(', '));
print();
stalled.end();
for (const source of sources) source.close();
server.kill('SIGKILL');
rmSync(folder, { recursive: true });
process.exit(0);
