import { expect, acceptProposal, guard, secondBrowser, setClock, test } from './demo';

test('a newcomer imports a list, gets a plan, and walks one guest to the last lap while another browser follows', async ({
  page,
  browser,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Board' })).toBeVisible();
  await expect(page.locator('.drive').first()).toBeVisible();
  expect(await page.locator('.drive').count()).toBeGreaterThan(50);

  // Another day, empty as yet.
  await page.getByRole('button', { name: 'Sat 22 May 2027' }).click();
  await page.getByLabel('Another day').fill('2027-05-23');
  await page.getByRole('button', { name: 'Add day' }).click();
  await expect(page.getByText('Nobody is booked for this day yet.')).toBeVisible();

  // A list of bookings.
  await page.getByRole('link', { name: 'Import a booking list or add a booking' }).click();
  await page.getByRole('button', { name: 'Import a list' }).click();
  await page.getByLabel('CSV file').setInputFiles('demo/sample-bookings.csv');
  await expect(page.getByText('40 new, 0 changed, 0 as they are, 0 faulty.')).toBeVisible();
  await page.getByRole('button', { name: 'Import 40 good rows' }).click();
  await expect(page.getByText('40 bookings', { exact: true })).toBeVisible();

  // A valid plan for it.
  await page.getByRole('button', { name: 'Plan the day' }).click();
  await acceptProposal(page);
  await expect(page.getByText(/\d+ drives planned/)).toBeVisible();
  const view = await (await page.request.get('/api/days/2027-05-23')).json();
  const first = view.plan.briefings[0];
  const guestId: string = first.guests[0];
  const guest = view.day.guests.find(({ id }: { id: string }) => id === guestId);
  const drive = view.plan.drives.find((planned: { drive: string }) =>
    guest.drives.some(({ id }: { id: string }) => id === planned.drive),
  );
  const run = view.plan.sightings.find(({ guests }: { guests: string[] }) => guests.includes(guestId));
  const laps = guest.drives.find(({ id }: { id: string }) => id === drive.drive).laps as number;
  const number = view.carNumbers[drive.car];

  // The second browser opens the guest's card on the same day.
  const other = await secondBrowser(browser);
  const faults = guard(other);
  await setClock(page, first.start.slice(0, 5), '2027-05-23');
  await other.goto(`/guests/${guestId}`);
  const seen = other.locator('.where');
  await expect(seen).toHaveText('expected');

  // Gate, by keyboard.
  await page.keyboard.press('1');
  await page.getByLabel('Find a guest').fill(guest.name);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('a');
  await expect(seen).toHaveText('at the gate');
  await page.keyboard.press('c');
  await expect(seen).toHaveText('cleared, waits for class');

  // Classroom and sighting run.
  await page.getByRole('link', { name: /^Classroom/ }).click();
  await page.getByRole('button', { name: 'Begin class' }).first().click();
  await expect(seen).toHaveText('in class');
  await page.getByRole('button', { name: 'End class' }).click();
  await expect(seen).toHaveText('briefed, waits for the sighting run');
  await setClock(page, run.release.slice(0, 5));
  await page.locator('article', { hasText: guest.name }).getByRole('button', { name: 'Let out' }).click();
  await expect(seen).toHaveText('on the sighting run');
  await page.getByRole('button', { name: 'Back', exact: true }).click();

  // Pit exit: seated, let out, each lap counted, brought in, parked.
  await setClock(page, drive.release.slice(0, 5));
  await expect(seen).toHaveText('waiting at the cars');
  await page.keyboard.press('4');
  await page.getByRole('button', { name: `Seat ${guest.name}` }).click();
  await expect(seen).toHaveText('seated');
  await page.getByRole('button', { name: `All checked: ${number}` }).click();
  await page.getByRole('button', { name: `Let out ${number}` }).click();
  await expect(seen).toHaveText('on the circuit');
  const [hours, minutes] = drive.release.split(':').map(Number);
  for (let lap = 1; lap <= laps; lap++) {
    // A lap takes longer than a minute; two taps sooner than that would be one lap.
    const minute = hours * 60 + minutes + 2 * lap;
    await setClock(page, `${Math.floor(minute / 60)}:${minute % 60}`);
    await page.getByRole('button', { name: `Count lap of ${guest.name}` }).click();
    await expect(other.getByText(`${lap} of ${laps}`, { exact: true })).toBeVisible();
  }
  await page.getByRole('button', { name: `Bring in ${guest.name}` }).click();
  await page.getByRole('button', { name: `Park ${guest.name}` }).click();
  await expect(seen).toHaveText('in debrief');
  await page.keyboard.press('6');
  await page.getByRole('button', { name: `Debriefed: ${guest.name}` }).click();
  await expect(seen).toHaveText('debriefed');
  await page.keyboard.press('7');
  if (guest.drives.length === 1) {
    await page.getByRole('button', { name: `Finished: ${guest.name}` }).click();
    await expect(seen).toHaveText('finished');
  }
  expect(faults).toEqual([]);
});
