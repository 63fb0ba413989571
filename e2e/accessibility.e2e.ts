import AxeBuilder from '@axe-core/playwright';
import { expect, SCREENS, test } from './demo';

for (const theme of ['light', 'dusk']) {
  test(`no main screen has a serious accessibility fault in the ${theme} theme`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.addInitScript((chosen) => localStorage.setItem('joylap.theme', chosen), theme);
    const faults: string[] = [];
    for (const screen of SCREENS) {
      await page.goto(`/${screen}`);
      await expect(page.locator('main h1')).toBeVisible();
      await page.waitForTimeout(300);
      const { violations } = await new AxeBuilder({ page }).analyze();
      for (const { id, impact, nodes } of violations) {
        if (impact === 'serious' || impact === 'critical')
          faults.push(
            `${screen}: ${id}: ${nodes[0]!.target.join(' ')} (${nodes.length}) ${nodes[0]!.failureSummary?.slice(0, 300)}`,
          );
      }
    }
    expect(faults).toEqual([]);
  });
}
