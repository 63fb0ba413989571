import { expect, SCREENS, seriousFaults, test } from './demo';

/** A theme changes colours and nothing else: all rules are asked in one of them. */
const RULES = { light: undefined, dusk: ['color-contrast'] };

for (const [theme, rules] of Object.entries(RULES)) {
  test(`no main screen has a serious accessibility fault in the ${theme} theme`, async ({ page }) => {
    test.setTimeout(400_000);
    await page.addInitScript((chosen) => localStorage.setItem('joylap.theme', chosen), theme);
    const faults: string[] = [];
    for (const screen of SCREENS) {
      await page.goto(`/${screen}`);
      await expect(page.locator('main h1')).toBeVisible();
      await page.waitForTimeout(300);
      faults.push(...(await seriousFaults(page, rules)).map((fault) => `${screen}: ${fault}`));
    }
    expect(faults).toEqual([]);
  });
}
