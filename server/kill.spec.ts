import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from './store/database';
import { journalStore } from './store/journal';
import { programOf } from './testing/programs';

/** Starts the real server on a free port with its data in a folder, and waits until it says where it is. */
async function start(folder: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [programOf('main')], {
    env: { ...process.env, PORT: String(port), JOYLAP_NETWORK_PORT: 'off', JOYLAP_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout, 'data');
  return child;
}

describe('A server that is killed in the middle of a burst of entries', () => {
  it('has lost none that it had acknowledged', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'joylap-kill-'));
    const port = 42_000 + (process.pid % 10_000);
    const child = await start(folder, port);
    try {
      const base = `http://127.0.0.1:${port}/api/days`;
      const { days } = (await (await fetch(base)).json()) as { days: { date: string }[] };
      const date = days[0]!.date;
      const acknowledged: string[] = [];
      const send = async (number: number): Promise<void> => {
        const entry = {
          id: `burst-${String(number).padStart(5, '0')}`,
          at: '00:00',
          by: 'Test',
          kind: 'noteTaken',
          text: `note ${number}`,
        };
        const response = await fetch(`${base}/${date}/journal`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(entry),
        });
        if (response.status === 201) acknowledged.push(entry.id);
      };
      const burst = Promise.allSettled(Array.from({ length: 400 }, (_, number) => send(number)));
      while (acknowledged.length < 60) await new Promise((resolve) => setTimeout(resolve, 2));
      child.kill('SIGKILL');
      await burst;
      expect(acknowledged.length).toBeGreaterThanOrEqual(60);
      expect(acknowledged.length).toBeLessThan(400);

      const db = openDatabase(join(folder, 'joylap.sqlite'));
      const kept = journalStore(db).since(date, 0);
      const ids = new Set(kept.map(({ entry }) => entry.id));
      expect(acknowledged.filter((id) => !ids.has(id))).toEqual([]);
      expect(kept.map(({ seq }) => seq)).toEqual(kept.map((_, place) => place + 1));
      db.close();
    } finally {
      child.kill('SIGKILL');
      rmSync(folder, { recursive: true });
    }
  }, 60_000);
});
