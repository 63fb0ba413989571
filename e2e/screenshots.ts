import { expect, test } from '@playwright/test';

/** The pictures of docs/screenshots, from the demo day at ten past eleven. */
const FOLDER = 'docs/screenshots';

test.beforeEach(async ({ request }) => {
  await request.post('/api/demo/reset');
  await request.post('/api/clock', { data: { rate: 0 } });
});

const plain: [name: string, path: string][] = [
  ['gate', '/gate'],
  ['classroom', '/classroom'],
  ['debrief', '/debrief'],
  ['desk', '/desk'],
  ['bookings', '/bookings'],
  ['cars', '/cars'],
  ['crew', '/crew'],
  ['rules', '/rules'],
];

for (const [name, path] of plain) {
  test(name, async ({ page }) => {
    await page.goto(path);
    await expect(page.locator('main h1')).toBeVisible();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  });
}

test('board by cars', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.screenshot({ path: `${FOLDER}/board.png` });
});

test('board of three hours with a drive opened, at dusk', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('joylap.theme', 'dusk'));
  await page.goto('/board');
  await page.getByRole('button', { name: '3 h' }).click();
  await page.locator('.drive.now').nth(3).click();
  await expect(page.getByRole('complementary', { name: /^Drive of/ })).toBeVisible();
  await page.screenshot({ path: `${FOLDER}/board-dusk.png` });
});

test('pit exit on a tablet', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto('/pit-exit');
  await page
    .getByRole('button', { name: /^Let out/ })
    .first()
    .waitFor();
  await page.screenshot({ path: `${FOLDER}/pit-exit.png` });
});

test('guest card', async ({ page }) => {
  await page.goto('/guests/lk-1049');
  await page.getByRole('heading', { name: 'What happened' }).waitFor();
  await page.screenshot({ path: `${FOLDER}/guest-card.png` });
});

test('guest card on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/guests/lk-1049');
  await page.getByRole('heading', { name: 'What happened' }).waitFor();
  await page.screenshot({ path: `${FOLDER}/guest-card-phone.png` });
});

test('import', async ({ page }) => {
  await page.goto('/bookings');
  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles('demo/sample-bookings.csv');
  await page.getByText(/40 new/).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/import.png` });
});

test('palette', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'What to find or do' }).fill('cas');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/palette.png` });
});
