import { expect, SCREENS, seriousFaults, test } from './demo';

for (const theme of ['light', 'dusk']) {
  test(`no main screen has a serious accessibility fault in the ${theme} theme`, async ({ page }) => {
    test.setTimeout(300_000);
    await page.addInitScript((chosen) => localStorage.setItem('joylap.theme', chosen), theme);
    const faults: string[] = [];
    for (const screen of SCREENS) {
      await page.goto(`/${screen}`);
      await expect(page.locator('main h1')).toBeVisible();
      await page.waitForTimeout(300);
      faults.push(...(await seriousFaults(page)).map((fault) => `${screen}: ${fault}`));
    }
    expect(faults).toEqual([]);
  });
}
