import { expect, secondBrowser, seriousFaults, test } from './demo';

const DAY = '/api/days/2027-05-22';

test('an absence is entered by keyboard, and the day and the warnings follow', async ({ page }) => {
  await page.goto('/crew/roster');
  const warnings = page.getByRole('region', { name: 'Skills that hang on one person' });
  await expect(warnings).toContainText('only Tomasz Ilgen may teach in the Oskarra Nine');
  const today = page.getByRole('button', { name: 'Odile Varga, 2027-05-22: 08:30–17:30' });
  await today.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('button', { name: 'Tomasz Ilgen, 2027-05-22: 08:30–17:30' })).toBeFocused();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Tomasz Ilgen, Sat 22 May' });
  await dialog.getByRole('combobox', { name: 'What' }).click();
  await page.getByRole('option', { name: 'Absence' }).click();
  await dialog.getByLabel('Last day').fill('2027-05-30');
  expect(await seriousFaults(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Tomasz Ilgen, 2027-05-22: away' })).toBeVisible();
  await expect(warnings).toContainText('nobody may teach in the Oskarra Nine');
  const { day } = await (await page.request.get(DAY)).json();
  const tomasz = day.instructors.find(({ name }: { name: string }) => name === 'Tomasz Ilgen');
  expect(tomasz.available).toEqual([]);
  // Faulty input says what is wrong, and nothing is lost.
  await page.getByRole('button', { name: 'Tomasz Ilgen, 2027-05-23: away' }).click();
  const again = page.getByRole('dialog', { name: 'Tomasz Ilgen, Sun 23 May' });
  await again.getByLabel('Last day').fill('2027-05-01');
  await again.getByRole('button', { name: 'Save' }).click();
  await expect(again.getByText('expected the last day not to be before the first')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Tomasz Ilgen, 2027-05-23: away' })).toBeVisible();
});

test('a calendar is imported after it has said what it would do, and is there to be exported', async ({ page }) => {
  await page.goto('/crew/roster');
  await page.getByRole('button', { name: 'Import calendar' }).click();
  const event = (uid: string, summary: string, from: string, to: string) =>
    ['BEGIN:VEVENT', `UID:${uid}`, `SUMMARY:${summary}`, `DTSTART:${from}`, `DTEND:${to}`, 'END:VEVENT'].join('\r\n');
  const ical = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//made up//EN',
    event('a', 'Ife Okoro', '20270524T100000', '20270524T140000'),
    event('b', 'Ife Okoro sick', '20270525T000000', '20270526T000000'),
    event('c', 'Somebody Else', '20270524T100000', '20270524T140000'),
    'END:VCALENDAR',
  ].join('\r\n');
  await page
    .getByLabel('Calendar file (.ics)')
    .setInputFiles({ name: 'roster.ics', mimeType: 'text/calendar', buffer: Buffer.from(ical) });
  const dialog = page.getByRole('dialog', { name: 'Import a calendar' });
  await expect(dialog.getByRole('status')).toContainText('2 new');
  await expect(dialog).toContainText('Somebody Else: no instructor has this name');
  await dialog.getByRole('button', { name: 'Import 2' }).click();
  await expect(page.getByRole('button', { name: 'Ife Okoro, 2027-05-24: 10:00–14:00' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Ife Okoro, 2027-05-25: away' })).toBeVisible();
  const calendar = await (await page.request.get('/api/roster.ics')).text();
  expect(calendar).toContain('SUMMARY:Ife Okoro absent');
});

test('a fault that the venue adds is offered on the phone, with its own words', async ({ page, browser }) => {
  await page.goto('/crew/faults');
  await page.getByRole('button', { name: 'Add a fault' }).click();
  const dialog = page.getByRole('dialog', { name: 'New fault' });
  const fill = async (label: string, text: string) => dialog.getByLabel(label, { exact: true }).fill(text);
  await fill('Id', 'Follows gulls');
  await fill('Name', 'Follows the gulls');
  await fill('Cause', 'birds over the slipway');
  await fill('What it does to the car', 'brakes without need');
  await fill('Cure', 'eyes on the road');
  await fill('In the car', 'Road');
  await fill('Said another way', 'Birds look after themselves');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('expected 2 to 40 small letters')).toBeVisible();
  await fill('Id', 'follows-gulls');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('Follows the gulls')).toBeVisible();

  const { journal } = await (await page.request.get(DAY)).json();
  const drive = journal.findLast(({ entry }: { entry: { kind: string } }) => entry.kind === 'parked').entry.drive;
  const phone = await secondBrowser(browser);
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto(`/marks/${drive}`);
  await phone.getByRole('button', { name: 'everywhere' }).click();
  await phone.getByRole('button', { name: 'Brake', exact: true }).click();
  await phone.getByRole('button', { name: 'Lap 2' }).click();
  await phone.getByRole('button', { name: /^Follows the gulls/ }).click();
  await expect(phone.getByText('Follows the gulls, everywhere, lap 2')).toBeVisible();
});

test('what is the manager’s alone opens by the code, in this browser only', async ({ page, browser }) => {
  const { bookings } = await (await page.request.get(DAY)).json();
  const booking = bookings.find(({ fields }: { fields: { name: string } }) => fields.name === 'Solveig Aas');
  await page.request.put(`${DAY}/bookings/${booking.id}`, {
    data: { version: booking.version, fields: { ...booking.fields, avoidInstructors: ['i8'] } },
  });
  await page.goto('/crew/teaching');
  await expect(page.getByText('never a ranking')).toBeVisible();
  await page.getByLabel(/Manager's code/).fill('not the code');
  await page.keyboard.press('Enter');
  await expect(page.getByText('This is not the code of the manager.')).toBeVisible();
  await page.getByLabel(/Manager's code/).fill('larkmere');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/of a lap gained from the first to the last clean lap/)).toBeVisible();
  await expect(page.getByRole('img', { name: /2027-05-21: .* % in \d+ drives/ })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  await page.goto(`/guests/${booking.id}`);
  const why = page.getByLabel('Why avoids Piers Bexley');
  await why.fill('clashed over the pace');
  await page.getByRole('button', { name: 'Keep these reasons' }).click();
  await expect(page.getByText('The reasons are kept, for the manager alone.')).toBeVisible();
  await page.reload();
  await expect(why).toHaveValue('clashed over the pace');
  const desk = await secondBrowser(browser);
  await desk.goto(`/guests/${booking.id}`);
  await expect(desk.getByText('Avoids Piers Bexley')).toBeVisible();
  await expect(desk.getByText('Why is for the manager alone')).toBeVisible();
  expect((await desk.request.get(`${DAY}/guests/${booking.id}/pairings`)).status()).toBe(403);
  await desk.close();
  await page.goto('/crew');
  const lock = page.getByRole('button', { name: /Lock$/ });
  await lock.click();
  await expect(lock).toBeHidden();
  expect((await page.request.get(`${DAY}/guests/${booking.id}/pairings`)).status()).toBe(403);
});
