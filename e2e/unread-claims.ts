import { expect, type Page } from '@playwright/test';

/** What says that there is nothing, or how much there is of it, where nobody knows yet. */
const CLAIMS =
  /\bof 0\b|\b0 at once\b|\bNothing (is left|keeps)|\bNothing: |\bNo (phone|device|car|day|later|booking|guest|group|circuit)\b|There (is|are) no\b|\b0 (bookings|instructors|phones|devices)\b/;
/** The day, its list and the clock come at once: they are what a screen waits for anyway. */
const AT_ONCE = /^\/api\/(days(\/[\d-]+)?|clock|days\/[\d-]+\/stream)$/;

/** Opens a screen whose replies are held, says what it claims without having read it, and lets the replies in. */
export async function unreadClaims(page: Page, address: string): Promise<string[]> {
  let goOn = (): void => undefined;
  const held = new Promise<void>((resolve) => (goOn = resolve));
  let asked = 0;
  await page.route(/\/api\//, async (route) => {
    if (!AT_ONCE.test(new URL(route.request().url()).pathname)) {
      asked += 1;
      await held;
    }
    await route.continue();
  });
  await page.goto(address);
  await expect(page.locator('h1').first()).toBeAttached();
  await page.waitForTimeout(300);
  const lines = (await page.locator('main').innerText()).split('\n');
  goOn();
  await page.unrouteAll({ behavior: 'wait' });
  return lines.filter((line) => CLAIMS.test(line)).map((line) => `${asked} held: ${line}`);
}
