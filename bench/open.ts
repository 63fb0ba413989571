import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EventSource } from 'eventsource';
import { openPage } from './page';
import { cutOffText, memoryMb, pause, setClock, StalledReader, startServer } from './server';
import { figures } from './table';

/**
 * `npm run bench:open [-- minutes]`: the demo at sixty times the speed, nobody acting, with a board left open, and beside
 * it 59 readers of the stream of which one does not read: what the board costs its device, and they the server. So quiet a
 * day does not fill a stalled reader's buffer; `bench:intake` shows what happens when it does.
 */
const MINUTES = Number(process.argv[2] ?? 10);
const READERS = 59;
const PORT = 4797;
const BASE = `http://127.0.0.1:${PORT}`;
const DAY = '2027-05-22';
const folder = mkdtempSync(join(tmpdir(), 'joylap-open-'));
const { row, print } = figures();

const server = await startServer('demo', { PORT: String(PORT), JOYLAP_DEMO_DATA: folder });
await setClock(PORT, { secondsOfDay: 8 * 3600, rate: 60 });

const sources = Array.from({ length: READERS - 1 }, () => new EventSource(`${BASE}/api/days/${DAY}/stream`));
const stalled = new StalledReader(PORT, DAY);

const { browser, figures: ofPage } = await openPage(`${BASE}/board`, '.drive');

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
