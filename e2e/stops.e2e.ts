import type { Locator, Page } from '@playwright/test';
import { DEMO_DATE } from '../demo/larkmere';
import { STOP_KEY } from '../web/shared/frame/screen-keys';
import { expect, convoyReady, dayNow, guard, secondBrowser, setClock, test } from './demo';

const SIZES = [
  [320, 640],
  [390, 844],
  [430, 932],
  [768, 1024],
  [1024, 768],
  [1280, 800],
] as const;
const STOPS = ['Hold to stop all', 'Hold for caution'];

const alarm = (page: Page) => page.getByRole('alertdialog', { name: 'All-stop' });

/** What lies at the middle of a button is the button, and it is whole, at every width. */
async function standsFree(page: Page, what: string): Promise<void> {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    for (const name of STOPS) {
      const seen = await page.locator('jl-stops button', { hasText: name }).evaluate((button: HTMLElement) => {
        const { left, top, right, bottom } = button.getBoundingClientRect();
        const at = document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
        return {
          free: button.contains(at),
          whole: left >= 0 && top >= 0 && right <= innerWidth && bottom <= innerHeight,
          large: right - left >= 120 && bottom - top >= 44,
          fits: button.scrollWidth <= button.clientWidth,
        };
      });
      expect(seen, `${name}, ${what}, at ${width}`).toEqual({ free: true, whole: true, large: true, fits: true });
    }
  }
}

async function hold(page: Page, name: string, until: Locator): Promise<void> {
  const box = (await page.locator('jl-stops button', { hasText: name }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await expect(until).toBeVisible();
  await page.mouse.up();
}

/** Back to green, as somebody else enters it. */
async function lift(page: Page): Promise<void> {
  const { view } = await dayNow(page);
  const at = `11:${String(Math.floor((view.clock.secondsOfDay % 3600) / 60)).padStart(2, '0')}`;
  for (const fields of [{ kind: 'circuitCleared' }, { kind: 'flagCalled', flag: 'green' }]) {
    const id = `lift-${Math.random().toString(36).slice(2, 12)}`;
    const data = { id, at, by: 'Petra', ...fields };
    const post = async () => (await page.request.post(`/api/days/${DEMO_DATE}/journal`, { data })).status();
    // What was held is on the screen before the server has it.
    await expect.poll(post).toBe(201);
  }
  await expect(alarm(page)).toBeHidden();
}

test('all-stop and caution lie free above every dialog and message of the pit exit, and stop from there', async ({
  page,
}) => {
  await page.goto('/pit-exit');
  const anyDialog = page.getByRole('dialog').first();
  const more = page.locator('#circuit button.words').first();
  const opened: readonly (readonly [string, () => Promise<unknown>])[] = [
    ['nothing', async () => undefined],
    ['the line of undo', async () => page.locator('jl-last-deed button').first().waitFor()],
    ['an incident', async () => page.locator('footer .incident').click()],
    [
      'breaking off',
      async () => {
        if ((await more.getAttribute('aria-expanded')) !== 'true') await more.click();
        await page.getByRole('button', { name: 'Break off…' }).click();
      },
    ],
    ['the palette', async () => page.keyboard.press('Control+k')],
    ['the choice of a day', async () => page.getByTitle('Choose or add a day').click()],
    ['a name asked for', async () => page.getByTitle('Who works at this device').click()],
    [
      'a message',
      async () => {
        await page.keyboard.press('ArrowDown');
        const missed = page.getByLabel('When the line was crossed').first();
        await missed.fill('soon');
        await page.getByRole('button', { name: 'Enter it' }).first().click();
        await page.getByText('Say when the line was crossed').waitFor();
      },
    ],
  ];
  for (const [what, open] of opened) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await open();
    const isDialog = !['nothing', 'the line of undo', 'a message'].includes(what);
    if (isDialog) await expect(anyDialog).toBeVisible();
    await standsFree(page, what);
    await hold(page, 'Hold to stop all', alarm(page));
    await lift(page);
    if (!isDialog) continue;
    await expect(anyDialog).toBeVisible();
    await anyDialog.getByRole('button').first().focus();
    await page.keyboard.down(STOP_KEY);
    await expect(alarm(page)).toBeVisible();
    await page.keyboard.up(STOP_KEY);
    await lift(page);
    await page.keyboard.press('Escape');
    await expect(anyDialog).toBeHidden();
  }
});

test('counter and leader’s phone have the same stops, which go to the day that runs, whatever day is shown', async ({
  page,
  browser,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await convoyReady(page);
  for (const path of ['/counter', '/lead']) {
    await page.goto(path);
    await expect(page.locator('jl-stops')).toBeVisible();
    await standsFree(page, path);
  }
  await setClock(page, '11:10', DEMO_DATE);
  // One looks at another day, the other at another time: both have it, and the caller sees so.
  const other = await secondBrowser(browser);
  const faults = guard(other);
  await other.goto('/board');
  await expect(other.locator('.drive').first()).toBeVisible();
  const ribbon = other.getByRole('slider', { name: 'Time of day shown on every screen' });
  await expect(ribbon).toHaveAttribute('aria-valuetext', /^11:10, now/);
  await ribbon.focus();
  await other.keyboard.press('PageDown');
  await expect(other.getByRole('button', { name: /Shown: / })).toBeVisible();
  await expect(page.getByTitle('Choose or add a day')).toContainText('5 Jun');
  await hold(page, 'Hold to stop all', alarm(page));
  await expect(alarm(other)).toBeVisible();
  await expect(alarm(page)).toContainText('Shown on 2 of 2 screens');
  await page.getByRole('button', { name: 'Seen' }).click();
  const { state } = await dayNow(page);
  expect(state.flag.flag).toBe('stop');
  // A second nervous hold in the same place changes nothing.
  const box = (await page.locator('jl-stops button').first().boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 20);
  await page.mouse.down();
  await page.waitForTimeout(1300);
  await page.mouse.up();
  expect((await dayNow(page)).state.flag.flag).toBe('stop');
  expect(faults).toEqual([]);
});

test('an all-stop without a connection says so first, is sent with its true time, and shows as late', async ({
  page,
  context,
  browser,
}) => {
  const other = await secondBrowser(browser);
  await other.goto('/board');
  await expect(other.locator('.drive').first()).toBeVisible();
  await page.request.post('/api/clock', { data: { rate: 1 } });
  await page.goto('/pit-exit');
  await expect(page.locator('#circuit article').first()).toBeVisible();
  await context.setOffline(true);
  await expect(page.getByText('Flags may not arrive: use the radio')).toBeVisible();
  await hold(page, 'Hold to stop all', alarm(page));
  await expect(alarm(page)).toHaveText(/^\s*Not sent: use the radio/);
  const { view } = await dayNow(page);
  await page.request.post('/api/clock', { data: { secondsOfDay: view.clock.secondsOfDay + 180, rate: 1 } });
  await expect(alarm(other)).toBeHidden();
  await context.setOffline(false);
  await expect(alarm(other)).toContainText(/Late: it was called (2|3) min\b.* before it got here/);
  await expect(page.getByText('Not sent: use the radio')).toHaveCount(0);
});
