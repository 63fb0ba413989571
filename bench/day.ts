import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openPage } from './page';
import { memoryMb, pause, processorS, setClock, startServer, startStandIn } from './server';
import { figures } from './table';

/**
 * `npm run bench:day`: the demo day from 11:10 until its guests are through, played by its crew at sixty times the speed,
 * with a board left open: what it costs the server, the two that stand in beside it, and the board.
 */
const MINUTES = 5;
const PORT = 4798;
const BASE = `http://127.0.0.1:${PORT}`;
const folder = mkdtempSync(join(tmpdir(), 'joylap-day-'));
const { row, print } = figures();

const server = await startServer('demo', { PORT: String(PORT), JOYLAP_DEMO_DATA: folder });
await setClock(PORT, { rate: 0 });
const processes = { server, 'loop and trackers': startStandIn('timing', PORT), crew: startStandIn('crew', PORT) };
const { browser, figures: ofPage } = await openPage(`${BASE}/board`, '.drive');
await pause(5000);

const list = (values: readonly number[]) => values.map((value) => value.toFixed(0)).join(', ');
const named = Object.entries(processes);
const before = await ofPage();
const heaps = [before.heapMb];
const beganS = named.map(([, process]) => processorS(process));
const memory = named.map(([, process]) => [memoryMb(process)]);
await setClock(PORT, { rate: 60 });
for (let minute = 0; minute < MINUTES; minute++) {
  await pause(60_000);
  heaps.push((await ofPage()).heapMb);
  named.forEach(([, process], place) => memory[place]!.push(memoryMb(process)));
}
const after = await ofPage();
const share = (seconds: number) => `${((100 * seconds) / (MINUTES * 60)).toFixed(0)} %`;
named.forEach(([name, process], place) => {
  row(`${name}: share of a processor`, share(processorS(process) - beganS[place]!));
  row(`${name}: memory at first and every minute, MB`, list(memory[place]!));
});
row('board: share of a processor', share(after.taskS - before.taskS));
row('board: heap after a collection, at first and every minute, MB', list(heaps));
print();
await browser.close();
for (const process of Object.values(processes).reverse()) {
  process.kill();
  await once(process, 'exit');
}
rmSync(folder, { recursive: true });
