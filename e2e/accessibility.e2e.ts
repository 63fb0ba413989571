import { expect, SCREENS, seriousFaults, test } from './demo';

test('no main screen has a serious accessibility fault, nor one of contrast at dusk', async ({ page }) => {
  test.setTimeout(400_000);
  const faults: string[] = [];
  for (const screen of SCREENS) {
    await page.goto(`/${screen}`);
    await expect(page.locator('main h1')).toBeVisible();
    await page.waitForTimeout(300);
    faults.push(...(await seriousFaults(page)).map((fault) => `${screen}: ${fault}`));
    // A theme changes colours and nothing else.
    await page.evaluate(() => document.documentElement.classList.add('dusk'));
    faults.push(...(await seriousFaults(page, ['color-contrast'])).map((fault) => `${screen} at dusk: ${fault}`));
  }
  expect(faults).toEqual([]);
});
