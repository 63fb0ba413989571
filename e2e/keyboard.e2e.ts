import { expect, test } from './demo';

test('a booking is changed with the keyboard alone', async ({ page }) => {
  await page.goto('/board');
  await expect(page.getByRole('heading', { name: 'Board' })).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.getByRole('heading', { name: 'Bookings' })).toBeVisible();
  await page.getByLabel('Find a booking').focus();
  await page.keyboard.type('Solveig');
  await expect(page.getByText('1 bookings')).toBeVisible();
  const edit = page.getByRole('button', { name: 'Edit the booking of Solveig Aas' });
  for (let tabs = 0; tabs < 15 && !(await edit.evaluate((button) => button === document.activeElement)); tabs++) {
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  const helmet = page.getByLabel('Helmet size');
  for (let tabs = 0; tabs < 40 && !(await helmet.evaluate((input) => input === document.activeElement)); tabs++) {
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Control+a');
  await page.keyboard.type('XXL');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The booking is saved.')).toBeVisible();
  const view = await (await page.request.get('/api/days/2027-05-22')).json();
  const booking = view.bookings.find(({ fields }: { fields: { name: string } }) => fields.name === 'Solveig Aas');
  expect(booking.fields.helmet).toBe('XXL');
});

test('Escape closes what is open, and the keys of the screen below are quiet meanwhile', async ({ page }) => {
  await page.goto('/board');
  await expect(page.locator('.drive').first()).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('k');
  await expect(page).toHaveURL(/board$/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('d');
  await expect(page.locator('html')).toHaveClass(/dusk/);
});

test('a guest is cleared in three keystrokes', async ({ page }) => {
  await page.goto('/gate');
  const rows = page.getByRole('list', { name: 'Arrivals' }).getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  const before = await rows.count();
  await page.getByLabel('Find a guest').focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('c');
  await expect(rows).toHaveCount(before - 1);
  // The focus is on the next guest, so one can go on.
  await page.keyboard.press('c');
  await expect(rows).toHaveCount(before - 2);
});
