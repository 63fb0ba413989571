import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FLEET } from '../demo/larkmere';
import { carFields } from '@core/venue/fleet';
import * as z from 'zod';
import { memoryMb, pause, startServer } from './server';
import { figures, percentile } from './table';

/**
 * `npm run bench:intake`: what comes in from outside, at the largest size that is let in, against a built server: how long
 * each file takes, and what other requests notice of it; and what readers of the live stream who do not read cost.
 */
const PORT = 4796;
const BASE = `http://127.0.0.1:${PORT}`;
const DATE = '2027-05-22';
const OTHER = '2027-05-23';
const THIRD = '2027-05-24';
/** Other requests, each second, while a file is being read. */
const PER_S = 40;
const STUCK = 20;
const ENTRIES = 1500;

const folder = mkdtempSync(join(tmpdir(), 'joylap-intake-'));

async function send(method: string, path: string, body?: unknown): Promise<{ status: number; body: unknown }> {
  const headers = { 'content-type': 'application/json' };
  const response = await fetch(
    `${BASE}${path}`,
    body === undefined ? { method } : { method, headers, body: JSON.stringify(body) },
  );
  return { status: response.status, body: await response.json() };
}

let entries = 0;
/** One request as any screen makes them, in turn: reading a day, entering something. */
async function ordinary(turn: number): Promise<number> {
  const startMs = performance.now();
  if (turn % 4 === 0) {
    const id = `intake-${String(++entries).padStart(6, '0')}`;
    await send('POST', `/api/days/${OTHER}/journal`, { id, at: '00:00', by: 'Bench', kind: 'noteTaken', text: 'note' });
  } else await send('GET', `/api/days/${OTHER}`);
  return performance.now() - startMs;
}

/** Sends a file and meanwhile goes on with ordinary requests. */
async function meanwhile(
  work: () => Promise<{ status: number }>,
): Promise<{ tookMs: number; others: number[]; status: number }> {
  const others: Promise<number>[] = [];
  let turn = 0;
  const timer = setInterval(() => others.push(ordinary(turn++)), 1000 / PER_S);
  await pause(500);
  const startMs = performance.now();
  const { status } = await work();
  const tookMs = performance.now() - startMs;
  await pause(500);
  clearInterval(timer);
  return { tookMs, others: await Promise.all(others), status };
}

const bookings = (from: number, count: number, laps: number) =>
  [
    'reference,name,arrives,drives,notes',
    ...Array.from(
      { length: count },
      (_, n) => `R${from + n},Guest ${from + n},9:00,c4 x${laps} + c9 x5,${'note '.repeat(20)}`,
    ),
  ].join('\n');
const ring = (points: number, radiusM: number, swing = 0) =>
  Array.from({ length: points }, (_, i) => {
    const angle = (2 * Math.PI * i) / points;
    const r = radiusM * (1 + swing * Math.cos(3 * angle));
    return [r * Math.cos(angle), r * Math.sin(angle)] as const;
  });
const degrees = (points: readonly (readonly [number, number])[]) =>
  [...points, points[0]!].map(([x, y]) => [x / 111_195 / Math.cos(0.9), 51.5 + y / 111_195]);
const geoJson = () =>
  JSON.stringify({
    type: 'Feature',
    properties: { name: 'Ring' },
    geometry: { type: 'Polygon', coordinates: [degrees(ring(5999, 606, 0.1)), degrees(ring(5999, 594, 0.1))] },
  });
const circuitCsv = () =>
  ['x_m,y_m,width_left_m,width_right_m', ...ring(6000, 600, 0.1).map(([x, y]) => `${x},${y},5,5`)].join('\n');
const gpx = () => {
  const lap = degrees(ring(1500, 600, 0.1));
  const points = Array.from({ length: 32 }, () => lap)
    .flat()
    .map(([lon, lat]) => `<trkpt lat="${lat!.toFixed(7)}" lon="${lon!.toFixed(7)}"><ele>10</ele></trkpt>`);
  return `<gpx><trk><name>Ring</name><trkseg>${points.join('\n')}</trkseg></trk></gpx>`;
};
const calendar = () => {
  const event = (n: number) => {
    const day = String(1 + (n % 28)).padStart(2, '0');
    return [
      'BEGIN:VEVENT',
      `UID:e${n}`,
      'SUMMARY:Odile Varga',
      `DTSTART:202705${day}T083000`,
      `DTEND:202705${day}T120000`,
      ...(n % 50 === 0 ? ['RRULE:FREQ=WEEKLY'] : []),
      'END:VEVENT',
    ];
  };
  return ['BEGIN:VCALENDAR', ...Array.from({ length: 5000 }, (_, n) => event(n)).flat(), 'END:VCALENDAR'].join('\r\n');
};

/** Entries of twelve kilobytes each, which every stream of the day is to be told. */
async function manyEntries(date: string): Promise<void> {
  const cars = Array.from({ length: 200 }, (_, n) => `car-${n}-`.padEnd(60, 'x'));
  for (let burst = 0; burst < ENTRIES / 10; burst++) {
    const sent = Array.from({ length: 10 }, () => {
      const id = `stuck-${String(++entries).padStart(6, '0')}`;
      return send('POST', `/api/days/${date}/journal`, {
        id,
        at: '00:00',
        by: 'Bench',
        kind: 'carsCounted',
        cars,
        offline: true,
      });
    });
    await Promise.all(sent);
  }
}

/** What the server has grown by, in MB, after entries that some streams are told of and never read. */
async function stuckReaders(server: ChildProcess): Promise<number> {
  const before = memoryMb(server);
  const sockets: Socket[] = [];
  for (let n = 0; n < STUCK; n++) {
    const socket = connect(PORT, '127.0.0.1');
    await once(socket, 'connect');
    socket.pause();
    socket.write(`GET /api/days/${OTHER}/stream HTTP/1.1\r\nHost: 127.0.0.1:${PORT}\r\n\r\n`);
    sockets.push(socket);
  }
  await manyEntries(OTHER);
  const more = memoryMb(server) - before;
  for (const socket of sockets) socket.destroy();
  return more;
}

const server = await startServer('start', { PORT: String(PORT), JOYLAP_DATA: folder });
try {
  for (const date of [DATE, OTHER, THIRD]) await send('POST', '/api/days', { date });
  for (const car of FLEET) await send('POST', '/api/cars', z.encode(carFields, car));
  const list = (csv: string, what: 'preview' | 'import') => () =>
    send('POST', `/api/days/${DATE}/bookings/${what}`, { csv });
  const circuit = (fileName: string, text: string) => () => send('POST', '/api/circuit/preview', { fileName, text });
  await list(bookings(0, 700, 5), 'import')();
  const files: [string, () => Promise<{ status: number }>][] = [
    ['booking list, 2000 rows onto 700: preview', list(bookings(0, 2000, 6), 'preview')],
    ['… and import', list(bookings(0, 2000, 6), 'import')],
    [
      'calendar, 5000 events, 100 of them series of two years',
      () => send('POST', '/api/roster/preview', { ical: calendar() }),
    ],
    ['circuit by its edges, GeoJSON, 2 × 5999 points', circuit('ring.geojson', geoJson())],
    ['circuit, CSV, 6000 points', circuit('ring.csv', circuitCsv())],
    ['circuit, GPX, 48 000 points', circuit('ring.gpx', gpx())],
  ];
  const table = figures();
  for (const [name, work] of files) {
    const { tookMs, others, status } = await meanwhile(work);
    const p = (share: number) => percentile(others, share).toFixed(0);
    table.row(
      name,
      `${(tookMs / 1000).toFixed(2)} s (${status}); others p50 ${p(0.5)}, p95 ${p(0.95)}, most ${Math.max(...others).toFixed(0)} ms`,
    );
  }
  const atFirst = memoryMb(server);
  await manyEntries(THIRD);
  const without = memoryMb(server) - atFirst;
  const stuck = await stuckReaders(server);
  table.row(
    `${ENTRIES} entries of 12 kB: memory more, without readers and with ${STUCK} who do not read`,
    `${without.toFixed(0)}, ${stuck.toFixed(0)} MB`,
  );
  table.print();
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
