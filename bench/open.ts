import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { EventSource } from 'eventsource';
import { cutOffText, memoryMb, pause, StalledReader, startServer } from './server';
import { figures } from './table';

/**
 * `npm run bench:open [-- minutes]`: the demo at sixty times the speed, nobody acting, with a board left open, and beside
 * it 59 readers of the stream of which one does not read: what the board costs its device, and they the server. So quiet a
 * day does not fill a stalled reader's buffer; `bench:doors` shows what happens when it does.
 */
const MINUTES = Number(process.argv[2] ?? 10);
const READERS = 59;
const PORT = 4797;
const BASE = `http://127.0.0.1:${PORT}`;
const DAY = '2027-05-22';
const folder = mkdtempSync(join(tmpdir(), 'joylap-open-'));
const { row, print } = figures();

const server = await startServer('demo', { PORT: String(PORT), JOYLAP_DEMO_DATA: folder });
const setClock = (body: object) =>
  fetch(`${BASE}/api/clock`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
await setClock({ secondsOfDay: 8 * 3600, rate: 60 });

const sources = Array.from({ length: READERS - 1 }, () => new EventSource(`${BASE}/api/days/${DAY}/stream`));
const stalled = new StalledReader(PORT, DAY);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${BASE}/board`);
await page.locator('.drive').first().waitFor();
const session = await page.context().newCDPSession(page);
await session.send('Performance.enable');
await session.send('HeapProfiler.enable');
async function ofPage(): Promise<{ heapMb: number; taskS: number; nodes: number }> {
  await session.send('HeapProfiler.collectGarbage');
  const { metrics } = await session.send('Performance.getMetrics');
  const of = (name: string) => metrics.find((metric) => metric.name === name)!.value;
  return { heapMb: of('JSHeapUsedSize') / 2 ** 20, taskS: of('TaskDuration'), nodes: of('Nodes') };
}

const before = await ofPage();
const heaps = [before.heapMb];
const memory = [memoryMb(server)];
for (let minute = 0; minute < MINUTES; minute++) {
  await pause(60_000);
  heaps.push((await ofPage()).heapMb);
  memory.push(memoryMb(server));
}
const after = await ofPage();
const list = (values: readonly number[]) => values.map((value) => value.toFixed(0)).join(', ');
row('heap of the board after a collection, at first and every minute, MB', list(heaps));
row('elements of the board, at first and at the end', `${before.nodes}, ${after.nodes}`);
row(
  'share of a processor that the board takes',
  `${((100 * (after.taskS - before.taskS)) / (MINUTES * 60)).toFixed(0)} %`,
);
row('memory of the server, at first and every minute, MB', list(memory));
row('the stalled reader was cut off after', cutOffText(stalled));
print();
for (const source of sources) source.close();
stalled.end();
await browser.close();
server.kill();
await once(server, 'exit');
rmSync(folder, { recursive: true });
