import { expect, test } from './demo';

/** The pictures of docs/screenshots, from the demo day at ten past eleven. */
const FOLDER = 'docs/screenshots';

const plain: [name: string, path: string][] = [
  ['gate', '/gate'],
  ['debrief', '/debrief'],
  ['desk', '/desk'],
  ['crew', '/crew/roster'],
  ['close', '/close'],
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

const reckoned: [name: string, path: string, size?: { width: number; height: number }][] = [
  ['circuit', '/circuit/map'],
  ['fleet', '/circuit/cars'],
  ['set-out', '/circuit/set-out'],
  ['garage', '/garage'],
  ['calls-phone', '/calls', { width: 390, height: 844 }],
];

for (const [name, path, size] of reckoned) {
  test(`${name}, once all is reckoned`, async ({ page }) => {
    if (size) await page.setViewportSize(size);
    await page.goto(path);
    await page.waitForTimeout(3000);
    await expect(page.getByText('Reckoning…')).toBeHidden();
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  });
}

test('the show, at a corner', async ({ page }) => {
  await page.goto('/show');
  await page.getByText('9 corners').waitFor();
  for (let slide = 0; slide < 8; slide++) await page.keyboard.press('PageDown');
  await page.getByRole('heading', { name: 'Ramp' }).waitFor();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: `${FOLDER}/show.png` });
});

test('results of a guest', async ({ page }) => {
  await page.goto('/results/lk-1047');
  await page.getByRole('img', { name: /^Marks by corner/ }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: `${FOLDER}/results.png` });
});

test('marks on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/marks/LK-1043-1');
  await page.getByRole('button', { name: 'Winch' }).click();
  await page.getByRole('button', { name: 'Turn in', exact: true }).click();
  await page.getByRole('button', { name: /^Turns in early/ }).click();
  await page.getByRole('button', { name: 'Throttle', exact: true }).click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/marks-phone.png` });
});
