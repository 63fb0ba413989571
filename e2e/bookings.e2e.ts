import { expect, secondBrowser, test } from './demo';

test('a list with faulty rows says column and reason, and imports the good rows or none', async ({ page }) => {
  await page.goto('/bookings');
  const list = {
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'reference;name;arrives;drives;weight kg\nZ1;Wanda Kolasa;13:10;Sabrel R x5;72,5\nZ2;;13:75;Warp Drive x5;70\nLK-1040;Ines Faro-Dam;8:45;Corrin Open x8 + Ilmarin Twelve x7;55\n',
    ),
  };
  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles(list);
  await expect(page.getByText('1 new, 1 changed, 0 as they are, 1 faulty.')).toBeVisible();
  await expect(page.getByText('arrives: expected a time of day such as 9:40, got "13:75"')).toBeVisible();
  await expect(page.getByText('drives: no car "Warp Drive" in the fleet')).toBeVisible();
  await page.getByRole('button', { name: 'Import none' }).click();
  await expect(page.getByText('61 bookings', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles(list);
  await page.getByRole('button', { name: 'Import 2 good rows' }).click();
  await expect(page.getByText('62 bookings', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Ines Faro-Dam' })).toBeVisible();

  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles(list);
  await expect(page.getByText('0 new, 0 changed, 2 as they are, 1 faulty.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Import 0 good rows' })).toBeDisabled();
});

test('a list that is no list is refused as a whole', async ({ page }) => {
  await page.goto('/bookings');
  await page.getByRole('button', { name: 'Import a list' }).click();
  const sheet = Buffer.from([0x50, 0x4b, 0x03, 0x04, 0x00, 0x00]);
  await page.getByLabel('CSV file').setInputFiles({ name: 'old.xlsx', mimeType: 'text/csv', buffer: sheet });
  await expect(page.getByText(/old.xlsx is no text/)).toBeVisible();
  const wrong = { name: 'wrong.csv', mimeType: 'text/csv', buffer: Buffer.from('who,when\nInes,9:10\n') };
  await page.getByLabel('CSV file').setInputFiles(wrong);
  await expect(page.getByText('Missing: name, arrives, drives.')).toBeVisible();
});

test('a booking is added by hand, with its faults under their fields', async ({ page }) => {
  await page.goto('/bookings');
  await page.getByRole('button', { name: 'Add booking' }).click();
  // A reference is made where nobody gives one.
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.getByText('Guest so that gate and desk know them').click();
  await expect(page.getByLabel('Reference')).toHaveValue('B1');
  await page.getByLabel('Arrives').fill('26:00');
  await page.getByLabel('E-mail').fill('nobody');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('expected the name of the guest')).toBeVisible();
  await expect(page.getByText('expected an e-mail address')).toBeVisible();
  await expect(page.getByText(/expected a time of day/)).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Wanda Walker');
  await page.getByLabel('Arrives').fill('13:10');
  await page.getByLabel('E-mail').fill('wanda@example.org');
  await page.getByRole('button', { name: 'Add a drive' }).click();
  const cars = page.getByRole('group', { name: 'Drive 1' }).locator('p-multiselect');
  await cars.click();
  await page.getByRole('option', { name: '9 Sabrel R' }).click();
  await cars.click();
  await expect(page.getByRole('listbox')).toBeHidden();
  await expect(page.getByLabel('Price')).not.toHaveValue('0');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: 'Wanda Walker' })).toBeVisible();
  await page.goto('/board');
  await expect(page.getByText('1 new or changed: plan again')).toBeVisible();
});

test('two people edit the same booking: the second is shown both, and decides', async ({ page, browser }) => {
  const other = await secondBrowser(browser);
  await page.goto('/bookings?edit=lk-1040');
  await other.goto('/bookings?edit=lk-1040');
  for (const one of [page, other]) await expect(one.getByLabel('Helmet size')).toHaveValue('XL');
  await other.getByLabel('Helmet size').fill('XXL');
  await page.getByLabel('Helmet size').fill('S');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('The booking is saved.')).toBeVisible();
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByText(/Somebody else has changed the booking of Ines Faro/)).toBeVisible();
  const row = other.locator('tr', { hasText: 'Helmet size' });
  await expect(row).toContainText('S');
  await expect(row).toContainText('XXL');
  const stored = async () => {
    const view = await (await page.request.get('/api/days/2027-05-22')).json();
    return view.bookings.find(({ id }: { id: string }) => id === 'lk-1040').fields.helmet;
  };
  expect(await stored()).toBe('S');
  await other.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(other.getByText('The booking is saved.')).toBeVisible();
  expect(await stored()).toBe('XXL');
});
