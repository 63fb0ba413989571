import { readFileSync } from 'node:fs';
import { expect, secondBrowser, test } from './demo';

/** Points of an oval as a CSV circuit; one cell may be spoiled. */
function ovalCsv(spoiled?: string): string {
  const rows = Array.from({ length: 120 }, (_, i) => {
    const angle = (2 * Math.PI * i) / 120;
    const width = i === 7 && spoiled ? spoiled : '6';
    return `${(260 * Math.cos(angle)).toFixed(2)},${(140 * Math.sin(angle)).toFixed(2)},6,${width}`;
  });
  return ['x_m,y_m,width_left_m,width_right_m', ...rows].join('\n');
}

test('a circuit is imported, drawn, saved, and the day plans with its length', async ({ page }) => {
  await page.goto('/circuit/map');
  await expect(page.getByText('anticlockwise')).toBeVisible();
  await page.getByRole('button', { name: 'Import' }).click();
  const file = page.locator('input[type=file]');
  await file.setInputFiles({ name: 'loop.csv', mimeType: 'text/csv', buffer: Buffer.from(ovalCsv('wide')) });
  await expect(page.getByRole('alert')).toContainText('line 9, width_right_m');
  await file.setInputFiles({ name: 'loop.csv', mimeType: 'text/csv', buffer: Buffer.from(ovalCsv()) });
  await expect(page.getByText('the line is closed from the last point to the first')).toBeVisible();
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByRole('heading', { name: 'loop', level: 1 })).toBeVisible();
  await expect(page.getByRole('dialog')).toBeHidden();
  // Undo brings the old one back, and redo the new one.
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Slipway', level: 1 })).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByRole('heading', { name: 'loop', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The circuit is saved.')).toBeVisible();
  const { fields } = await (await page.request.get('/api/venue')).json();
  expect(Math.abs(fields.circuit.lapLengthM - 1286)).toBeLessThan(10);
});

test('a cone that is moved keeps its place and its note, on the map and on the sheet', async ({ page }) => {
  await page.goto('/circuit/map');
  await page.locator('jl-circuit-editor').getByText('Cones', { exact: true }).click();
  const map = page.locator('jl-circuit-map svg');
  await expect(page.locator('.cone').first()).toBeVisible();
  await map.focus();
  // The first cone after the start line, by keyboard, and three metres to the north.
  await page.keyboard.press('.');
  for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowUp');
  await page.getByRole('button', { name: 'Reason' }).click();
  await page.getByRole('dialog').getByRole('textbox').fill('drain cover at the old place');
  await page.keyboard.press('Enter');
  await expect(page.getByText('drain cover at the old place')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The circuit is saved.')).toBeVisible();
  await page.getByRole('link', { name: 'Set-out' }).click();
  await expect(page.getByRole('row', { name: /drain cover at the old place/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const rows = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n');
  expect(rows[0]).toContain('order,distance_m,from_last_m,along,side');
  expect(rows.some((row) => row.includes('drain cover'))).toBe(true);
});

test('two people who change the circuit are told of each other', async ({ page, browser }) => {
  const other = await secondBrowser(browser);
  for (const one of [page, other]) {
    await one.goto('/circuit/book');
    await expect(one.getByRole('heading', { name: '1 Boathouse' })).toBeVisible();
  }
  const mistakes = (one: typeof page) => one.getByLabel('What people get wrong here');
  await mistakes(page).fill('turns in at the second cone');
  await mistakes(page).press('Tab');
  await page.getByRole('button', { name: 'Save the book' }).click();
  await expect(page.getByText('The corner book is saved.')).toBeVisible();
  await mistakes(other).fill('something else');
  await mistakes(other).press('Tab');
  await other.getByRole('button', { name: 'Save the book' }).click();
  await expect(other.getByText('Somebody else has changed the circuit meanwhile.')).toBeVisible();
});

test('a cone that somebody doubts on the phone stands out on every screen', async ({ page, browser }) => {
  const phone = await secondBrowser(browser);
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto('/set-out');
  await page.goto('/circuit/set-out');
  await expect(page.getByText('All cones looked at')).toBeVisible();
  await phone.getByRole('button', { name: 'doubt' }).nth(2).click();
  await phone.getByRole('dialog').getByRole('textbox').fill('leans against the fence');
  await phone.keyboard.press('Enter');
  await expect(page.getByText('leans against the fence')).toBeVisible();
  await expect(page.getByText(/^1 of \d+ to look at/)).toBeVisible();
  await page.getByRole('button', { name: 'All looked at' }).click();
  await expect(phone.getByText('All cones looked at')).toBeVisible();
});

test('the calls follow car, gearbox and a fault that came again', async ({ page }) => {
  await page.goto('/circuit/calls');
  const first = page.locator('article').first();
  await expect(first.getByText('“Brake”')).toBeVisible();
  const say = async () => Number(/say at (\d+)/.exec((await first.locator('li').first().textContent())!)![1]);
  const before = await say();
  await first.getByRole('button', { name: 'sooner' }).first().click();
  await expect.poll(say).toBeLessThan(before);
  await expect(page.getByText(/“Down to/).first()).toBeVisible();
  await page.getByText('Automatic', { exact: true }).click();
  await expect(page.getByText(/“Down to/)).toHaveCount(0);
});

test('what the model computes is taken over into the day', async ({ page }) => {
  await page.goto('/circuit/cars');
  const row = page.getByRole('row', { name: /Tessel Turbo/ });
  const take = row.getByRole('button', { name: /cool after|l a lap/ }).first();
  const litres = /plan with ([\d.]+) l/.exec((await take.getAttribute('aria-label'))!)![1];
  await take.click();
  await expect(page.getByText(`Tessel Turbo: ${litres} l a lap from now on.`)).toBeVisible();
  const { day } = await (await page.request.get('/api/days/2027-05-22')).json();
  expect(day.cars.find(({ id }: { id: string }) => id === 'c3').fuel.perLapL).toBe(Number(litres));
  // The card of one car after another.
  await page.getByRole('combobox', { name: 'Driven before' }).click();
  await page.getByRole('option', { name: '12 Oskarra Nine' }).click();
  await expect(page.getByText(/Weaker than the last/)).toBeVisible();
});
