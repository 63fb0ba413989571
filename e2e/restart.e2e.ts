import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const PORT = 4792;
const BASE = `http://127.0.0.1:${PORT}`;

/** A venue's own server with its data in a folder. */
async function start(folder: string): Promise<ChildProcess> {
  const env = { ...process.env, PORT: String(PORT), JOYLAP_DATA: folder };
  const child = spawn(process.execPath, ['dist/server/main.js', 'start'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout!, 'data');
  return child;
}

test('a server that dies and comes back finds everything that was entered meanwhile', async ({ page, request }) => {
  const folder = mkdtempSync(join(tmpdir(), 'joylap-restart-'));
  let server = await start(folder);
  try {
    const { days } = await (await request.get(`${BASE}/api/days`)).json();
    const date: string = days[0].date;
    const booking = {
      reference: 'A1',
      name: 'Ines Faro',
      languages: ['en'],
      arrives: '10:00',
      pace: 'first',
      prompting: true,
      sequence: 'any',
      price: 0,
      paid: 0,
      briefed: true,
      sighted: true,
      avoidInstructors: [],
      preferInstructors: [],
      drives: [],
    };
    const { id } = await (await request.post(`${BASE}/api/days/${date}/bookings`, { data: booking })).json();
    await page.goto(`${BASE}/guests/${id}`);
    const add = async (text: string) => {
      await page.getByLabel('A note about this guest').fill(text);
      await page.getByRole('button', { name: 'Add note' }).click();
      await expect(page.getByText(`Note: ${text}`)).toBeVisible();
    };
    await add('before');
    server.kill('SIGKILL');
    await once(server, 'exit');
    await expect(page.getByText(/Offline/)).toBeVisible();
    await add('while the server was away');
    await expect(page.getByText('Offline, 1 kept here')).toBeVisible();
    await page.reload({ timeout: 3000 }).catch(() => undefined);

    server = await start(folder);
    await page.goto(`${BASE}/guests/${id}`);
    await expect(page.getByText('Note: while the server was away')).toBeVisible();
    await expect(page.getByText(/kept here/)).toBeHidden();
    const { journal } = await (await request.get(`${BASE}/api/days/${date}`)).json();
    const notes = journal.map(({ entry }: { entry: { text: string } }) => entry.text);
    expect(notes).toEqual(['before', 'while the server was away']);
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true });
  }
});
