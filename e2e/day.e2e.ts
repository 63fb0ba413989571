import { isThrough } from '@core/journal';
import { expect, acceptProposal, dayNow, setClock, test, vehiclesBack } from './demo';

test('the ribbon shows the day at another time, and nothing can be entered there', async ({ page }) => {
  await page.goto('/pit-exit');
  const ribbon = page.getByRole('slider', { name: 'Time of day shown on every screen' });
  await expect(page.getByRole('heading', { name: 'Pit exit' })).toBeVisible();
  await expect(ribbon).toHaveAttribute('aria-valuetext', /^11:10, now/);
  await ribbon.focus();
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('button', { name: /Shown: 10:10/ })).toBeVisible();
  await page
    .getByRole('button', { name: /^Count lap of/ })
    .first()
    .click();
  await expect(page.getByText('The ribbon shows another time.')).toBeVisible();
  await page.keyboard.press('n');
  await expect(ribbon).toHaveAttribute('aria-valuetext', /now/);
});

test('the pit exit refuses a car too many, with the reason', async ({ page }) => {
  // Guests of the run that is out are wanted for the drives that come next.
  await setClock(page, '11:15');
  await page.goto('/pit-exit');
  const load = page.getByRole('status').filter({ hasText: 'on the circuit' });
  await vehiclesBack(page);
  const before = Number(await load.locator('b').textContent());
  const check = page.getByRole('button', { name: /^All checked/ });
  const letOut = async () => {
    // Whose car or instructor is still out is refused; somebody further down can be seated.
    const seats = page.getByRole('button', { name: /^Seat/ });
    for (let place = 0; (await check.count()) === 0; place++) {
      await seats.nth(place).click();
      await check
        .first()
        .waitFor({ timeout: 2000 })
        .catch(() => undefined);
    }
    await check.first().click();
    await page.getByRole('button', { name: /^Let out \d+$/ }).click();
  };
  for (let vehicles = before; vehicles < 5; vehicles++) {
    await letOut();
    await expect(load.locator('b')).toHaveText(String(vehicles + 1));
  }
  await letOut();
  await expect(page.getByText('5 cars are on the circuit, and 5 are allowed: bring one in first.')).toBeVisible();
  await expect(load.locator('b')).toHaveText('5');
});

test('a wrong lap is taken back on the guest card', async ({ page }) => {
  // At ten past, the next to come by may have been counted just then.
  await setClock(page, '11:11');
  await page.goto('/pit-exit');
  const button = page.getByRole('button', { name: /^Count lap of/ }).first();
  const name = (await button.getAttribute('aria-label'))!.replace('Count lap of ', '');
  const article = page.locator('article', { hasText: name });
  const laps = async () => /hand (\d+)/.exec((await article.textContent())!)?.[1] ?? '0';
  const before = Number(await laps());
  await button.click();
  await expect.poll(laps).toBe(String(before + 1));
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'What to find or do' }).fill(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await page
    .getByRole('button', { name: /^Take back: Lap counted/ })
    .first()
    .click();
  await expect(page.getByText('taken back')).toBeVisible();
  await page.keyboard.press('4');
  await expect.poll(laps).toBe(String(before));
});

test('what is entered holds, even where the page is left in the same moment', async ({ page }) => {
  // As on an old phone.
  const devTools = await page.context().newCDPSession(page);
  await devTools.send('Emulation.setCPUThrottlingRate', { rate: 6 });
  const entered = async () => (await dayNow(page)).view.journal.map(({ entry }) => entry);
  await page.goto('/gate');
  const clear = page.getByRole('button', { name: 'Clear', exact: true }).first();
  await clear.waitFor();
  const before = (await entered()).length;
  await clear.click();
  await page.goto('/classroom');
  // A guest who is cleared is four entries, sent one after the other.
  await expect
    .poll(async () => (await entered()).slice(before).map(({ kind }) => kind))
    .toEqual(['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']);
});

test('the board is worked by keyboard: blocks, details, rows and zoom', async ({ page }) => {
  await page.goto('/board');
  const first = page.locator('.drive[tabindex="0"]');
  await first.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  const focused = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
  expect(focused).toContain('laps');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: /^Drive of/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: /^Drive of/ })).toBeHidden();
  const width = async () => (await page.locator('.drive .outline').first().boundingBox())!.width;
  const day = await width();
  await page.keyboard.press('+');
  await expect.poll(width).toBeGreaterThan(day * 2);
  await page
    .getByRole('radio', { name: 'Guests' })
    .or(page.getByRole('button', { name: 'Guests' }))
    .first()
    .click();
  const through = [...(await dayNow(page)).state.guests.values()].find(isThrough)!;
  const finished = page.locator('.label', { hasText: through.guest.name });
  await expect(finished).toBeHidden();
  await page.getByRole('button', { name: /^\d+ finished$/ }).click();
  await expect(finished).toBeVisible();
});

test('a held car leads to a new plan in which its drives have moved', async ({ page }) => {
  await page.goto('/cars');
  await page.getByRole('button', { name: 'Out of service: Dunnock Cup' }).click();
  await page.getByLabel('Why?').fill('tyre cut');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('out of service: tyre cut')).toBeVisible();
  await page.keyboard.press('b');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await acceptProposal(page);
  await expect(page.getByText(/\d+ drives planned/)).toBeVisible();
  const view = await (await page.request.get('/api/days/2027-05-22')).json();
  const later = view.plan.drives.filter(
    ({ car, release }: { car: string; release: string }) => car === 'c1' && release > '11:20',
  );
  expect(later).toEqual([]);
  await page.getByRole('button', { name: /left out/ }).click();
  await expect(page.getByText(/Dunnock Cup/).first()).toBeVisible();
});

test('the demo clock pauses, speeds up and resets', async ({ page }) => {
  await page.goto('/board');
  const time = page.getByLabel('Venue time');
  await expect(time).toHaveText('11:10:00');
  await page.getByRole('button', { name: 'Sixty times as fast' }).click();
  await expect.poll(async () => (await time.textContent())! > '11:11').toBe(true);
  await page.getByRole('button', { name: 'Reset' }).click();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(time).toHaveText(/^11:10:0/);
  await setClock(page, '11:10');
});

test('the day sheet and each instructor’s sheet come as PDF', async ({ page }) => {
  await page.goto('/crew');
  const href = await page.getByRole('link', { name: 'Day sheet for the wall (PDF)' }).getAttribute('href');
  const sheet = await page.request.get(href!);
  expect(sheet.headers()['content-type']).toBe('application/pdf');
  const own = await page.getByRole('link', { name: 'Sheet of Anselm Holt as PDF' }).getAttribute('href');
  expect((await page.request.get(own!)).status()).toBe(200);
});

test('unwell takes no post over from the simulated crew, a lap that is sold does, and no page of one guest has its line', async ({
  page,
}) => {
  const taken = page.getByRole('region', { name: 'Taken over from the simulated crew' });
  // It says so every few seconds.
  const crewIsThere = () => page.request.post('/api/practice/there').catch(() => undefined);
  await crewIsThere();
  const crew = setInterval(() => void crewIsThere(), 2000);
  await page.goto('/desk');
  const guest = await page
    .getByRole('button', { name: /^Extra lap: / })
    .first()
    .getAttribute('aria-label');
  await page.getByRole('link', { name: guest!.replace('Extra lap: ', '') }).click();
  await page.getByRole('button', { name: 'Unwell' }).click();
  await expect(page.getByRole('button', { name: 'Well again' })).toBeVisible();
  await page.getByRole('link', { name: /^Desk/ }).click();
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await expect(taken).toBeHidden();
  await page.getByRole('button', { name: guest! }).click();
  await page
    .getByRole('button', { name: /^Sell for/ })
    .first()
    .click();
  await expect(taken).toContainText('You are at the desk now.');
  await page.getByRole('link', { name: guest!.replace('Extra lap: ', '') }).click();
  await expect(page.getByText(/^Extra lap sold: /)).toBeVisible();
  await expect(taken).toBeHidden();
  clearInterval(crew);
});
