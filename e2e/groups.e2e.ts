import { expect, convoyReady, GROUPS_DAY, secondBrowser, setClock, test } from './demo';

test('a convoy is looked at, gathered and led lap by lap, and the room follows', async ({ page, browser }) => {
  await convoyReady(page);
  await page.goto('/groups');
  const convoy = page.getByRole('region', { name: 'Convoy at ten' });
  await expect(convoy.getByText('Runa Westby')).toBeVisible();
  await expect(convoy.getByText('Laps behind the leader: Runa 2, Otis 2, Mireia 2, Jens 2')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Wet pan' })).toBeVisible();

  const phone = await secondBrowser(browser);
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto('/lead?group=p-convoy');
  await phone.getByRole('button', { name: '4 of 4 sit in the cars' }).click();
  for (const name of ['Runa Westby', 'Otis Valkama', 'Mireia Sant', 'Jens Kofoed']) {
    await phone.getByRole('button', { name: `Radio of ${name} answered` }).click();
  }
  await expect(convoy.getByText('in the cars', { exact: true })).toBeVisible();
  // The marshal lets it out, and sees what comes next.
  await page.goto('/pit-exit');
  await page.getByRole('button', { name: 'Let out Convoy at ten' }).click();
  await expect(page.getByText('Convoy at ten: Warming up, lap 1 of 1')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'on the circuit' })).toContainText('5 of 5');
  await expect(phone.getByText('Warming up, lap 1 of 1')).toBeVisible();
  await page.goto('/groups');
  await expect(convoy.getByText('out now')).toBeVisible();
  await phone.getByRole('button', { name: 'Lap done' }).click();
  await phone.getByRole('button', { name: 'Lap done' }).click();
  await expect(phone.getByText('Runa: on the Runway, pull to the right and slow to 60.')).toBeVisible();
  await phone.getByRole('button', { name: 'Lap done, places changed' }).click();
  await expect(phone.getByText('At pace, lap 3 of 8')).toBeVisible();

  // Somebody falls out, and the table is made anew for the others.
  await phone.getByRole('button', { name: 'Something with Otis Valkama' }).click();
  await phone.getByRole('button', { name: 'has gone' }).click();
  await expect(phone.getByText('place 3').first()).toBeVisible();
  await phone.getByRole('button', { name: 'End it here: all in and parked' }).click();
  await expect(phone.getByText('A word with each of them')).toBeVisible();
  await expect(convoy.getByText('over', { exact: true })).toBeVisible();
});

test('a group is added by hand, refused where it is faulty, and its sheet is there to print', async ({ page }) => {
  await setClock(page, '08:40', GROUPS_DAY);
  await page.goto('/groups');
  await page.getByRole('button', { name: 'Add: follow the leader' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Second convoy');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('expected at least one guest')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('region', { name: 'Convoy at ten' }).getByRole('link', { name: 'Sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Order by lap' })).toBeVisible();
  await expect(page.getByText('If a radio is lost')).toBeVisible();
});
