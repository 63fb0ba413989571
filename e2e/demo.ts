import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { setTimeout } from 'node:timers/promises';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Browser, type Page } from '@playwright/test';
import { dayView } from '@core/api';
import { emptyPlan } from '@core/day';
import { dayContext, stateOf } from '@core/journal';
import { DEMO_DATE } from '../demo/larkmere';
import { SCREENS } from '../web/app/screens';

/** The demo of worker 0, 1, … listens here, and on the ports above. */
const FIRST_PORT = 4790;
const ASSETS_KEPT_MS = 90_000;

/**
 * The demo, one for each worker, put back to its beginning with its clock stopped before each test. A page that logs an
 * error, or asks for anything that is not on this server, fails its test.
 */
export const test = base.extend<object, { demo: string }>({
  demo: [
    async ({}, use, { parallelIndex }) => {
      const server = await startDemo(parallelIndex);
      await use(server.url);
      await server.stop();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: ({ demo }, use) => use(demo),
  page: async ({ page, request }, use) => {
    await request.post('/api/demo/reset');
    await request.post('/api/clock', { data: { rate: 0 } });
    const faults = guard(page);
    await use(page);
    expect(faults).toEqual([]);
    // A browser left behind would stay one of the venue's screens.
    for (const other of page.context().browser()!.contexts()) if (other !== page.context()) await other.close();
  },
});
export { expect };

/** A demo of its own, by its number: those of the workers come first. */
export function startDemo(number: number): Promise<Started> {
  return start(number, 'demo', { JOYLAP_DEMO_DATA: `.tmp/e2e-${number}` });
}

/** A venue of its own in an empty folder. */
export function startVenue(number: number, settings: Record<string, string> = {}): Promise<Started> {
  const folder = `.tmp/venue-${number}`;
  rmSync(folder, { recursive: true, force: true });
  return start(number, 'start', { JOYLAP_DATA: folder, ...settings });
}

interface Started {
  readonly url: string;
  readonly stop: () => Promise<void>;
}

async function start(number: number, what: 'demo' | 'start', folder: Record<string, string>): Promise<Started> {
  const port = String(FIRST_PORT + number);
  const env = { ...process.env, PORT: port, JOYLAP_NETWORK_PORT: 'off', ...folder };
  const server = spawn(process.execPath, ['dist/server/main.js', what], { env, stdio: 'inherit' });
  const url = `http://127.0.0.1:${port}`;
  while (!(await fetch(`${url}/api/health`).catch(() => undefined))?.ok) {
    if (server.exitCode !== null) throw new Error(`The server on port ${port} has ended with ${server.exitCode}.`);
    await setTimeout(200);
  }
  const stop = async () => {
    server.kill();
    // The folder is free once it has ended.
    if (server.exitCode === null) await once(server, 'exit');
  };
  return { url, stop };
}

/** The address of every screen and of each of its parts, with something of the demo day on it. */
export const ADDRESSES: readonly string[] = SCREENS.flatMap(({ demo, parts }) =>
  parts ? parts.map((part) => `${demo}/${part.path}`) : [demo],
);

/** Collects what must not happen on a page. */
export function guard(page: Page): string[] {
  const faults: string[] = [];
  let wentOffline = false;
  page.on('pageerror', (error) => faults.push(`page error: ${error.message}`));
  page.on('console', (message) => {
    if (message.type() !== 'error') return;
    const text = message.text();
    wentOffline ||= text.includes('ERR_INTERNET_DISCONNECTED');
    // A refused request is an answer that the screens show; the browser logs it all the same, and Angular what was to be
    // loaded ahead when the network had gone.
    if (/status of (4\d\d|504)|ERR_INTERNET_DISCONNECTED|ERR_FAILED/.test(text)) return;
    if (!(wentOffline && text.includes('NG0750'))) faults.push(`console: ${text}`);
  });
  page.on('request', (request) => {
    const url = new URL(request.url());
    if (!['127.0.0.1', 'localhost'].includes(url.hostname) && url.protocol !== 'data:' && url.protocol !== 'blob:') {
      faults.push(`request leaves the machine: ${request.url()}`);
    }
  });
  return faults;
}

/** The demo day as the server has it, and its state at the end of what it knows. */
export async function dayNow(page: Page) {
  const view = dayView.parse(await (await page.request.get(`/api/days/${DEMO_DATE}`)).json());
  const context = dayContext(view.day, view.plan ?? emptyPlan(view.day.date));
  return { view, context, state: stateOf(context, view.journal, view.clock.secondsOfDay) };
}

/** What keeps people from using the page, in the words of axe. */
export async function seriousFaults(page: Page): Promise<string[]> {
  // A message half way in, or a colour half way into the dusk, is nobody's.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  // No page has frames: all rules run in it, and what passes is not written out.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze();
  await page.emulateMedia({ reducedMotion: null });
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes[0]!.target.join(' ')} (${nodes.length}) ${nodes[0]!.failureSummary?.slice(0, 300)}`,
    );
}

/** Ends the search for a plan, if it is still going on: a machine that stood still may find it over already. */
export async function endSearch(page: Page): Promise<void> {
  const proposal = page.getByRole('complementary', { name: 'Proposal' });
  const stop = proposal.getByRole('button', { name: 'Stop, keep the best' });
  const accept = proposal.getByRole('button', { name: 'Accept' });
  await stop.or(accept).first().waitFor();
  if (await stop.isVisible()) await stop.click({ timeout: 2000 }).catch(() => undefined);
  await accept.waitFor();
}

/** Ends the search for a plan, if it is still going on, and accepts what it has found. */
export async function acceptProposal(page: Page): Promise<void> {
  const proposal = page.getByRole('complementary', { name: 'Proposal' });
  await endSearch(page);
  await proposal.getByRole('button', { name: 'Accept' }).click();
  await expect(proposal).toBeHidden();
}

/** Enters at the exit that every vehicle of a sighting run is back, if one is out. */
export async function vehiclesBack(page: Page): Promise<void> {
  const back = page.getByRole('button', { name: / is back$/ });
  await page.locator('jl-last-deed, #circuit').first().waitFor();
  for (let vehicles = await back.count(); vehicles > 0; vehicles--) await back.first().click();
  await expect(back).toHaveCount(0);
}

/** Another person at another device. */
export async function secondBrowser(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  return context.newPage();
}

/** Sets the venue's clock, and waits until the page, where it is open, goes by it. */
export async function setClock(page: Page, wallClock: string, date?: string): Promise<void> {
  const [hours, minutes] = wallClock.split(':').map(Number);
  const [hour, minute] = [hours!, minutes!].map((part) => String(part).padStart(2, '0'));
  await page.request.post('/api/clock', { data: { secondsOfDay: hours! * 3600 + minutes! * 60, date, rate: 0 } });
  if (page.url() !== 'about:blank') {
    await expect(page.getByLabel('Venue time')).toHaveText(`${hour}:${minute}:00`);
  }
}

/** Waits until the service worker has the whole application, and answers for the page. */
export async function keepsApplication(page: Page): Promise<void> {
  const keeps = () =>
    page.evaluate(async () => {
      if (!navigator.serviceWorker.controller) return false;
      const manifest = (await (await fetch('/ngsw.json')).json()) as { assetGroups: { urls: string[] }[] };
      const kept = new Set<string>();
      for (const name of await caches.keys()) {
        for (const { url } of await (await caches.open(name)).keys()) kept.add(new URL(url).pathname);
      }
      return manifest.assetGroups.every(({ urls }) => urls.every((url) => kept.has(url)));
    });
  await expect.poll(keeps, { timeout: ASSETS_KEPT_MS }).toBe(true);
}

/** The demo's day of groups. */
export const GROUPS_DAY = '2027-06-05';

/** Twenty to ten on the day of groups: the guests of its convoy have gate and class behind them. */
export async function convoyReady(page: Page): Promise<void> {
  await setClock(page, '09:40', GROUPS_DAY);
  const guests = ['p-c1', 'p-c2', 'p-c3', 'p-c4'];
  let number = 0;
  const enter = async (fields: object) => {
    const entry = { id: `groups-${String(number++).padStart(4, '0')}`, at: '09:30', by: 'Desk', ...fields };
    const reply = await page.request.post(`/api/days/${GROUPS_DAY}/journal`, { data: entry });
    expect(reply.status()).toBe(201);
  };
  for (const guest of guests) {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']) await enter({ kind, guest });
  }
  await enter({ kind: 'classBegan', instructor: 'i1', guests });
  await enter({ kind: 'classEnded', instructor: 'i1', guests });
}
