import { expect, dayNow, secondBrowser, seriousFaults, test } from './demo';

const DAY = '/api/days/2027-05-22';

/** The drive that has been parked last. */
async function lastParked(request: { get(url: string): Promise<{ json(): Promise<unknown> }> }) {
  const view = (await (await request.get(DAY)).json()) as {
    journal: { entry: { kind: string; drive: string } }[];
    day: { guests: { id: string; name: string; drives: { id: string }[] }[] };
  };
  const drive = view.journal.findLast(({ entry }) => entry.kind === 'parked')!.entry.drive;
  const guest = view.day.guests.find(({ drives }) => drives.some(({ id }) => id === drive))!;
  return { drive, guest };
}

test('a drive is marked in six taps on the phone, and the results of the guest grow by it', async ({ page }) => {
  const { drive, guest } = await lastParked(page.request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/marks/${drive}`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(guest.name);
  await page.getByRole('button', { name: 'Winch' }).click();
  await page.getByRole('button', { name: 'Turn in', exact: true }).click();
  await page.getByRole('button', { name: /^Turns in early/ }).click();
  await page.getByRole('button', { name: 'smooth hands' }).click();
  await page.getByRole('button', { name: 'Ready for paddles' }).click();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: /^Save/ }).click();
  await expect(page.getByText(`Marked: ${guest.name}.`)).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  // Its guest may read another language.
  await page.goto(`/results/${guest.id}?language=en`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(guest.name);
  await expect(page.getByText('smooth hands').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /Marks by corner:.*Winch/ })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  const pdf = await page.request.get(`${DAY}/sheets/results/${guest.id}.pdf`);
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
});

test('the next instructor reads the card before the guest sits down, with the one thing of the last drive', async ({
  page,
  browser,
}) => {
  const view = await (await page.request.get(DAY)).json();
  const entries: { kind: string; drive?: string }[] = view.journal.map(({ entry }: { entry: object }) => entry);
  const has = (kind: string, drive: string) => entries.some((entry) => entry.kind === kind && entry.drive === drive);
  const guestOf = (drive: string): { id: string; name: string; drives: { id: string }[] } =>
    view.day.guests.find(({ drives }: { drives: { id: string }[] }) => drives.some(({ id }) => id === drive));
  // The first drive to come of a guest who has driven before; those whom its instructor has earlier have left.
  const toCome: { drive: string; instructor: string }[] = [...view.plan.drives]
    .sort((a, b) => (a.release < b.release ? -1 : 1))
    .filter(({ drive }) => !has('seated', drive));
  const next = toCome.find(({ drive }) => guestOf(drive).drives.some(({ id }) => has('parked', id)))!;
  const guest = guestOf(next.drive);
  for (const { drive, instructor } of toCome.slice(0, toCome.indexOf(next))) {
    if (instructor !== next.instructor || guestOf(drive).id === guest.id) continue;
    const gone = guestOf(drive).id;
    const arrived = entries.some(
      (entry) => entry.kind === 'guestArrived' && (entry as { guest?: string }).guest === gone,
    );
    await page.request.post(`${DAY}/journal`, {
      data: {
        id: `gone-${drive}-${gone}`,
        kind: arrived ? 'guestLeft' : 'guestNoShow',
        at: '11:09',
        by: 'Test',
        guest: gone,
      },
    });
  }
  const last = guest.drives.find(({ id }) => has('parked', id))!.id;
  const marks = ['Winch', 'Ramp', 'Slip', 'Crane'].map((corner) => ({ fault: 'turns-early', corner }));
  await page.request.post(`${DAY}/journal`, {
    data: {
      id: 'marks-12345678',
      kind: 'driveMarked',
      at: '11:09',
      by: 'Test',
      drive: last,
      marks,
      note: 'likes numbers',
    },
  });
  const phone = await secondBrowser(browser);
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.addInitScript((id) => localStorage.setItem('joylap.counter', id), next.instructor);
  await phone.goto('/handover');
  const card = phone.getByRole('article', { name: 'Next guest' });
  await expect(card.getByRole('heading', { level: 1 })).toHaveText(guest.name);
  await expect(card.getByText('Turns in early', { exact: true })).toBeVisible();
  await expect(card.getByText('likes numbers')).toBeVisible();
  await card.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(card.getByText(/^Read by/)).toBeVisible();
  await expect(phone.getByText(/drives?, \d+ of at most \d+ laps, held/)).toBeVisible();
  expect(await seriousFaults(phone)).toEqual([]);
});

test('a guest who has been here before is known, linked and parted again, and erased on their word', async ({
  page,
}) => {
  await page.goto('/guests/lk-1040');
  const before = page.getByRole('region', { name: 'Been here before' });
  await expect(before.getByText('2027-05-07', { exact: true })).toBeVisible();
  await page.goto('/guests/lk-1045');
  await expect(before.getByText('No earlier day is known')).toBeVisible();
  await before.getByRole('button', { name: 'Same as another guest' }).click();
  await page.getByRole('dialog').getByRole('searchbox').fill('E3-1');
  const found = page.getByRole('listitem').filter({ hasText: /E3-1\s+2027-05-19/ });
  await found.getByRole('button', { name: /^The same person as/ }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(before.getByText('2027-05-19', { exact: true })).toBeVisible();
  await before.getByRole('button', { name: /^Not the same person/ }).click();
  await expect(before.getByText('No earlier day is known')).toBeVisible();
  const name = (await page.getByRole('heading', { level: 1 }).textContent())!.trim();
  await before.getByRole('button', { name: 'Erase…' }).click();
  await before.getByLabel(/Manager's code/).fill('larkmere');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: /^Erase .* for good/ });
  await dialog.getByLabel('Type the name to erase it').fill(name);
  await expect(dialog.getByRole('button', { name: 'Erase for good' })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Guest LK-1045' })).toBeVisible();
});

test('friends are compared for the cars they drove, each first in something where they can be', async ({ page }) => {
  // Those of whom two have driven by then.
  const { state } = await dayNow(page);
  const driven = [...state.guests.values()].filter(({ guest }) =>
    guest.drives.some(({ id }) => state.drives.get(id)?.stage === 'done'),
  );
  const party = driven.map(({ guest }) => guest.party).find((one, place, all) => one && all.indexOf(one) < place)!;
  await page.goto(`/party/${encodeURIComponent(party)}`);
  await expect(page.getByRole('region', { name: 'Pace' }).getByRole('listitem').first()).toContainText(/first|a draw/);
  for (const contest of ['Gain', 'Steadiness', 'Fewest faults'])
    await expect(page.getByRole('region', { name: contest })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
});

test('every figure of the close opens the entries it is made of', async ({ page }) => {
  await page.goto('/close');
  const row = page.getByRole('row', { name: /^No-shows/ });
  await expect(row).toContainText('1');
  await row.getByRole('button').click();
  await expect(page.getByText('Milo Petrak')).toBeVisible();
  await expect(page.getByText('Sabrel R is out of service: brake pedal long.')).toBeVisible();
  const csv = await (await page.request.get(`${DAY}/sheets/close.csv`)).text();
  expect(csv).toContain('Drives done');
  expect((await page.request.get(`${DAY}/sheets/close.pdf`)).status()).toBe(200);
  expect(await seriousFaults(page)).toEqual([]);
});

test('the plan gives its reasons for an instructor, and what the others would cost', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive.movable').nth(3).click();
  await page.getByRole('button', { name: 'Why this instructor?' }).click();
  const details = page.getByRole('complementary', { name: /^Drive of/ });
  await expect(details.getByText(/laps planned, the mean is/).first()).toBeVisible();
  await expect(details.getByText(/^costs|^saves/).first()).toBeVisible();
});
