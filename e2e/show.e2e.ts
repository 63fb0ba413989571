import { expect, seriousFaults, test } from './demo';

test('the show runs by clicker, and the hands of the class are kept with it', async ({ page }) => {
  await page.goto('/classroom');
  await page.getByRole('button', { name: 'Begin class' }).first().click();
  await page.getByRole('link', { name: 'Begin the show' }).click();
  // It opens in the language of most of the class.
  await page.getByRole('button', { name: 'English' }).click();
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText('Welcome');
  await expect(page.getByText('Slipway: 2311 m, 9 corners')).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(title).toHaveText('How to sit');
  expect(await seriousFaults(page)).toEqual([]);
  for (let slide = 0; slide < 7; slide++) await page.keyboard.press('PageDown');
  await expect(title).toHaveText('Boathouse');
  await expect(page.getByText('Look at the red door, then the end of the wall')).toBeVisible();
  await page.keyboard.press('End');
  await expect(title).toContainText('You feel a little unwell');
  for (const digit of '2212') await page.keyboard.press(digit);
  await page.keyboard.press('Enter');
  await expect(page.getByText('We stop, and the laps that are left are kept for later.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('You feel a little unwell on lap three. What now? 3 of 4 right')).toBeVisible();
});

test('the show follows condition and cone code, and the venue changes order and words', async ({ page }) => {
  await page.goto('/show/edit');
  await page.getByRole('button', { name: 'Down: Welcome' }).click();
  const title = page.getByRole('textbox', { name: 'Title of slide 1', exact: true });
  // The fields have changed places; only then is it typed.
  await expect(title).toHaveValue('How to sit');
  await title.fill('Sit well');
  await title.press('Tab');
  await page.getByRole('button', { name: 'Add a slide' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The show is saved.')).toBeVisible();
  await page.request.post('/api/days/2027-05-22/journal', {
    data: {
      id: 'rain-12345678',
      kind: 'conditionChanged',
      at: '11:05',
      by: 'Marshal',
      from: '11:05',
      name: 'wet',
      paceFactor: 1.15,
    },
  });
  await page.goto('/show');
  await page.getByRole('button', { name: 'English' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sit well');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Today it is wet')).toBeVisible();
  // Back from the end: five questions, the new slide, discomfort, flags, passing, two of calls.
  await page.keyboard.press('End');
  for (let slide = 0; slide < 11; slide++) await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What the cones say');
  await expect(page.getByText('violet cone: turn in').first()).toBeVisible();
});
