import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { carFields } from '@core/venue/fleet';
import { instructor } from '@core/day';
import { expect, test } from '@playwright/test';
import * as z from 'zod';
import { CREW, FLEET } from '../demo/larkmere';

const PORT = 4799;
const BASE = `http://127.0.0.1:${PORT}`;

/** A booking of one drive. */
const aBooking = (number: number) => ({
  reference: `B${number}`,
  name: `Guest ${number}`,
  languages: ['en'],
  arrives: '10:00',
  pace: 'first',
  touch: true,
  sequence: 'any',
  price: 0,
  paid: 0,
  briefed: true,
  sighted: true,
  avoidInstructors: [],
  preferInstructors: [],
  drives: [{ id: `B${number}-1`, cars: ['c1'], laps: 5 }],
});

/** A venue's own server with its data in a folder. */
async function start(folder: string): Promise<ChildProcess> {
  const env = { ...process.env, PORT: String(PORT), JOYLAP_NETWORK_PORT: 'off', JOYLAP_DATA: folder };
  const child = spawn(process.execPath, ['dist/server/main.js', 'start'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout, 'data');
  return child;
}

test('a server that dies and comes back finds everything that was entered meanwhile', async ({ page, request }) => {
  const folder = mkdtempSync(join(tmpdir(), 'joylap-restart-'));
  let server = await start(folder);
  try {
    const { days } = await (await request.get(`${BASE}/api/days`)).json();
    const date: string = days[0].date;
    const booking = { ...aBooking(1), drives: [] };
    const { id } = await (await request.post(`${BASE}/api/days/${date}/bookings`, { data: booking })).json();
    await page.goto(`${BASE}/guests/${id}`);
    const add = async (text: string) => {
      await page.getByLabel('A note about this guest').fill(text);
      await page.getByRole('button', { name: 'Add note' }).click();
      await expect(page.getByText(`Note: ${text}`)).toBeVisible();
    };
    await add('before');
    const stored = async () => (await (await request.get(`${BASE}/api/days/${date}`)).json()).journal.length;
    await expect.poll(stored).toBe(1);
    server.kill('SIGKILL');
    await once(server, 'exit');
    await expect(page.getByText(/Offline/)).toBeVisible();
    await add('while the server was away');
    await expect(page.getByText(/Offline since \d\d:\d\d, 1 kept here/)).toBeVisible();
    await page.reload({ timeout: 3000 }).catch(() => undefined);

    server = await start(folder);
    await page.goto(`${BASE}/guests/${id}`);
    await expect(page.getByText('Note: while the server was away')).toBeVisible();
    await expect(page.getByText(/kept here/)).toBeHidden();
    const notes = async () => {
      const { journal } = await (await request.get(`${BASE}/api/days/${date}`)).json();
      return journal.map(({ entry }: { entry: { text: string } }) => entry.text);
    };
    await expect.poll(notes).toEqual(['before', 'while the server was away']);
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true });
  }
});

test('a server that dies while it looks for a plan says so, and keeps the accepted one', async ({ page, request }) => {
  const folder = mkdtempSync(join(tmpdir(), 'joylap-restart-'));
  let server = await start(folder);
  try {
    const { days } = await (await request.get(`${BASE}/api/days`)).json();
    const path = `${BASE}/api/days/${days[0].date}`;
    await request.post(`${BASE}/api/cars`, { data: z.encode(carFields, FLEET[0]!) });
    await request.post(`${BASE}/api/instructors`, { data: z.encode(instructor, CREW[0]!) });
    for (let guest = 1; guest <= 6; guest++) await request.post(`${path}/bookings`, { data: aBooking(guest) });
    const order = { author: 'Maren', reason: 'First plan', mode: 'improve', seconds: 0 };
    await request.post(`${path}/planning`, { data: order });
    const job = async () => (await (await request.get(`${path}/planning`)).json()).job;
    await expect.poll(async () => (await job()).state).toBe('ready');
    const { base, asOf, found } = await job();
    const accepted = { base, asOf, author: 'Maren', reason: 'First plan', plan: found.plan };
    expect((await request.post(`${path}/plans`, { data: accepted })).status()).toBe(201);
    await request.post(`${path}/planning`, { data: { ...order, reason: 'A better one', seconds: 120 } });
    server.kill('SIGKILL');
    await once(server, 'exit');

    server = await start(folder);
    await page.goto(`${BASE}/board`);
    await expect(page.getByText('The server stopped before a plan was found.')).toBeVisible();
    const { revision } = await (await request.get(path)).json();
    expect(revision.reason).toBe('First plan');
    await page.getByRole('button', { name: 'Drop' }).click();
    await expect(page.getByRole('complementary', { name: 'Proposal' })).toBeHidden();
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true });
  }
});
