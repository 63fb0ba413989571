import { expect, SCREENS, test } from './demo';

test('no request leaves the machine, on any screen', async ({ page }) => {
  const hosts = new Set<string>();
  const fonts: string[] = [];
  page.on('request', (request) => {
    const { hostname, protocol, pathname } = new URL(request.url());
    if (protocol !== 'data:') hosts.add(hostname);
    if (pathname.endsWith('.woff2')) fonts.push(pathname);
  });
  for (const screen of SCREENS) {
    await page.goto(`/${screen}`);
    await expect(page.locator('main h1')).toBeVisible();
  }
  expect([...hosts]).toEqual(['127.0.0.1']);
  // The family of the interface comes with it.
  expect(fonts.some((path) => path.includes('archivo'))).toBe(true);
  expect(await page.evaluate(() => document.fonts.check('14px "Archivo Variable"'))).toBe(true);
});

test('every screen is there when the network has gone, once they have been loaded', async ({ page, context }) => {
  await page.goto('/board');
  await expect(page.locator('.drive').first()).toBeVisible();
  await page.waitForTimeout(6500);
  await context.setOffline(true);
  await expect(page.getByText('Offline')).toBeVisible();
  for (const [key, heading] of [
    ['1', 'Gate'],
    ['2', 'Classroom'],
    ['4', 'Pit exit'],
    ['6', 'Debrief'],
    ['7', 'Desk'],
    ['k', 'Bookings'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
  }
  await context.setOffline(false);
  await expect(page.getByText('Offline')).toBeHidden();
});
