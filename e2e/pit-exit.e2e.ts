import { spawn } from 'node:child_process';
import { once } from 'node:events';
import type { Locator, Page } from '@playwright/test';
import { progressOf } from '@core/journal';
import { DEMO_DEVICE_KEY } from '../demo/larkmere';
import { expect, dayNow, guard, keepsApplication, secondBrowser, setClock, test } from './demo';

const LAP_MS = 100_000;
/** More than the tablets' clocks gain while the walk looks at them. */
const SPENT_ON_SCREENS_S = 600;

/** Presses a button of the list of cars, which may be sorted anew between look and click. */
async function tap(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name }).dispatchEvent('click');
}

/** Holds a button down until it has taken. */
async function pressLong(page: Page, name: string, taken: Locator): Promise<void> {
  const button = page.getByRole('button', { name });
  const box = (await button.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await expect(taken).toBeVisible();
  await page.mouse.up();
}

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('two tablets count through a busy quarter hour without network: nothing is lost, nothing doubled', async ({
    page,
    context,
    browser,
  }) => {
    test.setTimeout(240_000);
    const other = await secondBrowser(browser);
    const faults = guard(other);
    const tablets = [page, other];
    for (const tablet of tablets) {
      await tablet.clock.install();
      await tablet.goto('/pit-exit');
    }
    await keepsApplication(page);
    await page.request.post('/api/clock', { data: { rate: 1 } });
    for (const tablet of tablets) await expect(tablet.getByLabel('Venue time')).not.toHaveText('11:10:00');
    // What the tablet knows of the clock is kept with the day.
    await page.waitForTimeout(3000);
    const { state, view } = await dayNow(page);
    // Of whom loop and hands have counted the same: what one of them has missed is no matter here.
    const running = [...state.drives.values()].filter(
      ({ stage, count }) => stage === 'onCircuit' && count.loop === count.hand,
    );
    const drive = running.sort((a, b) => b.drive.laps - b.crossings.length - (a.drive.laps - a.crossings.length))[0]!;
    const name = drive.guest.name;
    const before = drive.crossings.length;
    const known = view.journal.length;
    const due = drive.drive.laps + drive.extraLaps;
    const laps = due - before;

    // Both lose the network; the tablets' clocks go on by a lap at a time.
    await context.setOffline(true);
    await other.context().setOffline(true);
    await expect(page.getByText('Flags may not arrive: use the radio')).toBeVisible();
    for (let lap = 1; lap <= laps; lap++) {
      for (const tablet of tablets) await tablet.clock.fastForward(LAP_MS);
      for (const tablet of tablets) {
        await tap(tablet, `Count lap of ${name}`);
        await expect(tablet.locator('article', { hasText: name })).toContainText(
          `hand ${(drive.count.hand ?? 0) + lap}`,
        );
      }
    }
    await tap(page, `Bring in ${name}`);
    await tap(other, `Bring in ${name}`);
    await expect(page.getByText(`${laps + 1} kept here`)).toBeVisible();

    // The screen opens again without any network, with everything that was entered.
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Pit exit' })).toBeVisible();
    await expect(page.getByRole('button', { name: `Park ${name}` })).toBeVisible();
    await expect(page.getByText(`${laps + 1} kept here`)).toBeVisible();

    const reunitedS = view.clock.secondsOfDay + (laps * LAP_MS) / 1000 + SPENT_ON_SCREENS_S;
    await page.request.post('/api/clock', { data: { secondsOfDay: reunitedS, rate: 1 } });
    await context.setOffline(false);
    await other.context().setOffline(false);
    await expect(page.getByText(/kept here/)).toBeHidden();
    await expect(other.getByText(/kept here/)).toBeHidden();
    await expect
      .poll(async () => (await dayNow(page)).view.journal.length)
      .toBeGreaterThanOrEqual(known + 2 * laps + 2);
    const after = await dayNow(page);
    // Times slide meanwhile, as nobody drives by the plan.
    const fresh = after.view.journal
      .slice(known)
      .map(({ entry }) => entry)
      .filter(({ kind }) => kind !== 'timesSlid');
    expect(new Set(fresh.map(({ id }) => id)).size).toBe(2 * laps + 2);
    expect(fresh.length).toBe(2 * laps + 2);
    expect(fresh.every(({ offline }) => offline)).toBe(true);
    const driven = after.state.drives.get(drive.drive.id)!;
    expect(progressOf(after.context, driven).done).toBe(due);
    expect(driven.stage).toBe('rollingIn');
    // The second way in changes nothing, and the person is told.
    expect(after.state.resolved.map(({ kind }) => kind)).toEqual(['broughtIn']);
    await expect(other.getByText(/is rolling in and can't be brought in/).first()).toBeVisible();
    expect(faults).toEqual([]);
  });
});

test('an all-stop is on every screen at once, and takes two steps back to green', async ({ page, browser }) => {
  const other = await secondBrowser(browser);
  const faults = guard(other);
  await other.goto('/board');
  await expect(other.locator('.drive').first()).toBeVisible();
  await page.goto('/pit-exit');
  await pressLong(page, 'Hold to stop all', page.getByRole('alertdialog', { name: 'All-stop' }));
  await expect(other.getByRole('alertdialog', { name: 'All-stop' })).toBeVisible();
  await other.getByRole('button', { name: 'Seen' }).click();
  await expect(other.getByRole('alert')).toContainText('All-stop');
  await page.getByRole('button', { name: 'Seen' }).click();
  await page
    .getByRole('button', { name: /^All checked/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^Let out \d+$/ }).click();
  await expect(page.getByText(/All-stop since 11:10: nobody is let out/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Circuit is clear…' }).click();
  await page.getByRole('button', { name: 'It is clear', exact: true }).click();
  await expect(other.getByText(/clear, says Office/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to green…' }).click();
  await page.getByRole('button', { name: 'Go green' }).click();
  await expect(other.getByRole('alert')).toBeHidden();
  const { context, state } = await dayNow(page);
  // Whoever has all laps is on the way in, and has none that could be spoiled.
  const running = [...state.drives.values()].filter((drive) => {
    const { done, due } = progressOf(context, drive);
    return drive.stage === 'onCircuit' && done < due;
  });
  expect(running.length).toBeGreaterThan(0);
  expect(running.every(({ spoiled }) => [...spoiled.values()].includes('all-stop'))).toBe(true);
  expect(faults).toEqual([]);
});

test('loop and trackers report, and are missed when they fall silent', async ({ page, baseURL }) => {
  await page.goto('/pit-exit');
  const env = { ...process.env, JOYLAP_URL: baseURL, JOYLAP_DEVICE_KEY: DEMO_DEVICE_KEY };
  const standIn = spawn(process.execPath, ['dist/server/timing-stand-in.js'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(standIn.stdout, 'data');
  try {
    await page.request.post('/api/clock', { data: { rate: 20 } });
    await expect(page.getByText(/loop \d+/).first()).toBeVisible();
    await page.goto('/devices');
    await expect(page.getByText('heard', { exact: true })).toHaveCount(2);
  } finally {
    standIn.kill();
  }
  await page.goto('/pit-exit');
  await expect(page.getByText('Timing loop is silent')).toBeVisible();
});

test('an instructor counts on the phone, and the exit sees it', async ({ page, browser }) => {
  const { state, view } = await dayNow(page);
  const drive = [...state.drives.values()].find(({ stage }) => stage === 'onCircuit')!;
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await setClock(page, '11:12');
  await phone.goto('/counter');
  await phone
    .getByRole('button', { name: view.day.instructors.find(({ id }) => id === drive.instructor)!.name })
    .click();
  await phone.getByRole('button', { name: /Count lap$/ }).click();
  await page.goto('/pit-exit');
  const row = page.locator('article', { hasText: drive.guest.name });
  await expect(row).toContainText(`hand ${(drive.count.hand ?? 0) + 1}`);
});
