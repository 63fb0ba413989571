import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout } from 'node:timers/promises';
import type { Browser, Page } from '@playwright/test';
import { dayView } from '@core/api';
import { checkPlan } from '@core/rules';
import { brokenAhead } from '@core/live/drift';
import { tankOf } from '@core/venue/garage';
import { contextOf, countsDiffer, lapsOwed, progressOf, planningSnapshotOf, stateOf } from '@core/journal';
import { isByCrew } from '@core/live/practice';
import { DEMO_DATE, DEMO_DEVICE_KEY, DEMO_STARTS_S } from '../demo/larkmere';
import { expect, guard, startDemo, test } from './demo';

/** The venue has closed. */
const OVER_S = 18 * 3600 + 5 * 60;
const HALF_AN_HOUR_S = 1800;
/** What is left of the day takes five minutes at sixty times the speed, and a slow machine its time. */
const TIMEOUT_MS = 20 * 60_000;
/** What is looked at in turn while the day goes by. */
const LOOKED_AT = ['/board', '/pit-exit', '/gate', '/classroom', '/debrief', '/desk', '/garage', '/free', '/close'];

/** Somebody looks at a screen for so long. */
const LOOKS_MS = 8000;

interface Played {
  readonly url: string;
  readonly page: Page;
  readonly faults: string[];
  readonly clockS: () => Promise<number>;
}

/** Loop, trackers and crew beside a server; they end with this. */
function standIns(url: string): ChildProcess[] {
  const own = { JOYLAP_URL: url, JOYLAP_DEVICE_KEY: DEMO_DEVICE_KEY, JOYLAP_UNTIL: String(process.pid) };
  const env = { ...process.env, ...own };
  return ['timing', 'crew'].map((name) =>
    spawn(process.execPath, [`dist/server/${name}-stand-in.js`], { env, stdio: 'inherit' }),
  );
}

async function play(browser: Browser, url: string, day: (played: Played) => Promise<void>): Promise<void> {
  const context = await browser.newContext({ baseURL: url, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const faults = guard(page);
  await page.request.post('/api/demo/reset');
  await page.request.post('/api/clock', { data: { rate: 0 } });
  const others = standIns(url);
  try {
    const there = async () => (await (await page.request.get('/api/practice')).json()).there as boolean;
    await expect.poll(there).toBe(true);
    const heard = async () =>
      (await (await page.request.get('/api/devices')).json()).devices.map(({ state }: { state: string }) => state);
    await expect.poll(heard).toEqual(['heard', 'heard']);
    await page.request.post('/api/clock', { data: { rate: 60 } });
    const clockS = async () => (await (await page.request.get('/api/clock')).json()).secondsOfDay as number;
    await day({ url, page, faults, clockS });
  } finally {
    for (const other of others) other.kill();
    await Promise.all(others.map(async (other) => other.exitCode === null && once(other, 'exit')));
    await context.close();
  }
  expect(faults).toEqual([]);
}

/** The day as the server has it, and the drives that are neither over nor have a reason not to be. */
async function dayOf(page: Page) {
  const view = dayView.parse(await (await page.request.get(`/api/days/${DEMO_DATE}`)).json());
  const context = contextOf(view, view.journal);
  const state = stateOf(context, view.journal, view.clock.secondsOfDay);
  const reasons = new Set(context.schedule.plan.unplanned.map(({ drive }) => drive));
  const open = [...state.drives.values()].filter(
    ({ drive, guest, stage }) => stage !== 'done' && !reasons.has(drive.id) && !state.guests.get(guest.id)?.gone,
  );
  return { view, context, state, open: open.map(({ drive, stage }) => `${drive.id} ${stage}`) };
}

/** Goes from screen to screen until everybody is through, and on to the closing. */
async function lookOn({ page, clockS }: Played): Promise<void> {
  for (let place = 0; (await clockS()) < OVER_S && (await dayOf(page)).open.length > 0; place++) {
    await page.goto(LOOKED_AT[place % LOOKED_AT.length]!);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await setTimeout(LOOKS_MS);
  }
  await page.request.post('/api/clock', { data: { secondsOfDay: OVER_S } });
}

/** Does what a marshal does, as quickly as hands can: checks, lets out, brings in; laps the loop counts. */
async function marshal({ page, clockS }: Played, forS: number): Promise<void> {
  await page.goto('/pit-exit');
  // Where the crew is quicker than hands, it is the marshal itself until somebody has tapped while the time stood still.
  await page.request.post('/api/clock', { data: { rate: 0 } });
  await page
    .getByRole('button', { name: /^All checked: \d+$|^Let out/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Taken over from the simulated crew' })).toBeVisible();
  await page.request.post('/api/clock', { data: { rate: 60 } });
  const untilS = (await clockS()) + forS;
  while ((await clockS()) < untilS) {
    for (const name of [/^All checked: \d+$/, /^Let out/, /^Bring in/, / is back$/]) {
      const button = page.getByRole('button', { name }).first();
      // By then it may be somebody else's turn.
      if (await button.isVisible()) await button.click({ timeout: 1000 }).catch(() => undefined);
    }
    await setTimeout(100);
  }
}

/** What has to be true of a day that is over, whoever has done what. */
async function audit({ page }: Played): Promise<void> {
  const { view, context, state, open } = await dayOf(page);
  expect(open).toEqual([]);
  const drives = [...state.drives.values()];

  const { day, plan, repair } = planningSnapshotOf(view.day, context.schedule.plan, state);
  expect(brokenAhead(checkPlan(day, plan, repair).violations, state)).toEqual([]);

  // Laps of drives that were not begun have a reason, see above; every other lap that was sold is driven or owed.
  const begun = drives.filter(({ releasedS }) => releasedS !== undefined);
  const unsettled = begun.filter((drive) => {
    const { done, due } = progressOf(context, drive);
    return done + lapsOwed(context, state, drive) !== due;
  });
  expect(
    unsettled.map(({ drive, count, brokenOff }) => ({ drive: drive.id, laps: drive.laps, count, brokenOff })),
  ).toEqual([]);
  expect(drives.filter(({ count }) => countsDiffer(count, OVER_S)).map(({ drive }) => drive.id)).toEqual([]);

  for (const one of state.cars.values()) {
    const { car, laps } = one;
    const ofCar = begun.filter((drive) => drive.car === car.id);
    expect(
      ofCar.reduce((total, { crossings }) => total + crossings.length, 0),
      car.name,
    ).toBe(laps);
    expect(tankOf(state, one).litres, `fuel of ${car.name}`).toBeGreaterThan(0);
  }
  // The crew has been at work.
  expect(view.journal.filter(({ entry }) => isByCrew(entry) && entry.at > DEMO_STARTS_S).length).toBeGreaterThan(300);
}

test('the demo day plays by itself, and goes on where somebody has been the marshal for half an hour', async ({
  browser,
  demo,
}, info) => {
  test.setTimeout(TIMEOUT_MS);
  const other = await startDemo(info.parallelIndex + 20);
  try {
    await Promise.all([
      play(browser, demo, async (played) => {
        await lookOn(played);
        await audit(played);
      }),
      play(browser, other.url, async (played) => {
        await marshal(played, HALF_AN_HOUR_S);
        const strip = played.page.getByRole('region', { name: 'Taken over from the simulated crew' });
        await expect(strip).toContainText('You are the marshal now.');
        await strip.getByRole('button', { name: 'Give back: the marshal' }).click();
        await expect(strip).toBeHidden();
        await lookOn(played);
        await audit(played);
      }),
    ]);
  } finally {
    await other.stop();
  }
});
