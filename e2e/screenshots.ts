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
  ['devices', '/devices'],
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
    .getByRole('button', { name: /^All checked/ })
    .first()
    .waitFor();
  await page.waitForTimeout(500);
  await page.screenshot({ path: `${FOLDER}/pit-exit.png` });
});

test('counter on a phone', async ({ page, request }) => {
  const { journal } = await (await request.get('/api/days/2027-05-22')).json();
  const seated = journal
    .map(({ entry }: { entry: { kind: string } }) => entry)
    .filter(({ kind }: { kind: string }) => kind === 'seated');
  const inCar = journal.findLast(({ entry }: { entry: { kind: string } }) => entry.kind === 'released').entry.drive;
  const { instructor } = seated.findLast(({ drive }: { drive: string }) => drive === inCar);
  await page.addInitScript((id) => localStorage.setItem('joylap.counter', id), instructor as string);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/counter');
  await page.getByText('Count lap').waitFor();
  await page.screenshot({ path: `${FOLDER}/counter-phone.png` });
});

test('guest card', async ({ page }) => {
  await page.goto('/guests/lk-1049');
  await page.getByRole('heading', { name: 'What happened' }).waitFor();
  await page.screenshot({ path: `${FOLDER}/guest-card.png` });
});

test('import', async ({ page }) => {
  await page.goto('/bookings');
  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles('demo/sample-bookings.csv');
  await page.getByText(/40 new/).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/import.png` });
});

test('a repair proposed after a car was withdrawn', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.getByRole('button', { name: 'What happened?' }).click();
  await page.getByRole('button', { name: 'Car withdrawn' }).click();
  await page.getByRole('combobox', { name: 'Which car?' }).click();
  await page.getByRole('option', { name: '7 Vessant 610' }).click();
  await page.getByRole('button', { name: 'Enter, and look for a repair' }).click();
  await page.getByRole('button', { name: /^Accept/ }).waitFor();
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${FOLDER}/proposal.png` });
  await page.request.post('/api/days/2027-05-22/planning/drop');
});

test('the verdict while a drive is moved', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.locator('.drive.movable').nth(8).focus();
  await page.keyboard.press('m');
  for (let steps = 0; steps < 3; steps++) await page.keyboard.press('Alt+ArrowRight');
  await page.locator('.verdict').waitFor();
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${FOLDER}/verdict.png` });
});

test('load of the day', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Load of the day' }).click();
  await page.getByRole('img', { name: /^Use by quarter hour/ }).waitFor();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${FOLDER}/load.png` });
});

test('one more drive', async ({ page }) => {
  await page.goto('/guests/lk-1049');
  await page.getByRole('button', { name: 'One more drive' }).click();
  await page.locator('p-multiselect').click();
  await page.getByRole('option', { name: /Tessel Turbo/ }).click();
  await page.getByRole('option', { name: /Sabrel R/ }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'When?' }).click();
  await page.getByRole('list', { name: 'Places' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/one-more-drive.png` });
});
