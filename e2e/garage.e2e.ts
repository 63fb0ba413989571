import { expect, dayNow, secondBrowser, test } from './demo';

test('a fault in three taps holds the car, and a repair of the plan is proposed', async ({ page, browser }) => {
  const other = await secondBrowser(browser);
  await other.goto('/cars');
  await page.goto('/garage');
  // A car that stands ready, whatever the plan has the others do.
  const ready = page.getByRole('button', { name: /^Stall \d+: car \d+ .*, ready/ }).first();
  const [, car] = /: car (\d+ [^,]+),/.exec((await ready.getAttribute('aria-label'))!)!;
  await ready.click();
  await page.getByRole('button', { name: 'Report a fault' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'wheels and tyres' }).click();
  await dialog.getByRole('button', { name: 'puncture' }).click();
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'tyre.png',
    mimeType: 'image/png',
    // One white point.
    buffer: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8/5+hHgAHggJ/PchI7wAAAABJRU5ErkJggg==',
      'base64',
    ),
  });
  await dialog.getByRole('button', { name: /The car stands/ }).click();
  await expect(page.getByText('Out of service: wheels and tyres: puncture')).toBeVisible();
  await expect(page.getByRole('img', { name: 'wheels and tyres: puncture' })).toBeVisible();
  await expect(other.getByRole('row', { name: new RegExp(`^${car} `) })).toContainText('puncture');
  await page.goto('/board');
  await expect(page.getByRole('complementary', { name: 'Proposal' })).toBeVisible();
  await page.request.post('/api/days/2027-05-22/planning/drop');
});

interface Planned {
  readonly drive: string;
  readonly car: string;
  readonly release: string;
}
interface Wanted {
  readonly id: string;
  readonly name: string;
  readonly fuel: { readonly capacityL: number; readonly reserveL: number; readonly perLapL: number };
}

test('a reading corrects the fuel, and what has to be refuelled is said with the drive', async ({ page }) => {
  // Of the cars with a drive to come the one for which a quarter of the tank is least.
  const { day, plan, carNumbers } = await (await page.request.get('/api/days/2027-05-22')).json();
  const { state } = await dayNow(page);
  const comes = (id: string) => state.guests.get(state.drives.get(id)?.guest.id ?? '')?.gone === undefined;
  // Nor one that is refuelled anyway before it drives.
  const refuelled = new Set(plan.refuels.map(({ car }: { car: string }) => car));
  const wanted = new Set(
    plan.drives.flatMap(({ drive, car, release }: Planned) => (release > '11:30' && comes(drive) ? [car] : [])),
  );
  const cars: Wanted[] = day.cars.filter(({ id }: Wanted) => wanted.has(id) && !refuelled.has(id));
  const spare = ({ fuel }: Wanted) => (fuel.capacityL / 4 - fuel.reserveL) / fuel.perLapL;
  const { id, name, fuel } = cars.sort((a, b) => spare(a) - spare(b))[0]!;
  const number = carNumbers[id];
  await page.goto('/garage');
  await page.getByRole('button', { name: `: car ${number} ${name}` }).click();
  const car = page.getByRole('region', { name });
  await car.getByRole('button', { name: '¼' }).click();
  await expect(car.getByText(new RegExp(`^${Math.round(fuel.capacityL / 4)} l of ${fuel.capacityL}`))).toBeVisible();
  await expect(page.getByRole('button', { name: `${number} ${name}: refuel before ` })).toBeVisible();
  const full = String(fuel.capacityL - 1);
  await car.getByRole('textbox', { name: 'Litres' }).fill(full);
  await car.getByRole('button', { name: 'read', exact: true }).click();
  await expect(car.getByText(`${full} l of ${fuel.capacityL}`)).toBeVisible();
  await expect(page.getByRole('button', { name: `${number} ${name}: refuel` })).toHaveCount(0);
});

test('cars are counted against the sheet, and the one that is missing is named', async ({ page }) => {
  await page.goto('/garage');
  await page.getByRole('button', { name: 'Count cars' }).click();
  for (let stall = 1; stall <= 12; stall++) {
    if (stall !== 8) await page.getByRole('button', { name: new RegExp(`^Stall ${stall}:`) }).click();
  }
  await page.getByRole('button', { name: 'That is all' }).click();
  await expect(page.getByText(/11 of 12 counted at .*, missing: 8 Vessant 610/)).toBeVisible();
});

test('parts count on from where they were replaced, and stalls and cards are where somebody says', async ({ page }) => {
  await page.goto('/garage');
  await page.getByRole('button', { name: /^Stall 7:/ }).click();
  const car = page.getByRole('region', { name: 'Vessant 610' });
  await car.getByRole('combobox', { name: 'Serviced' }).click();
  await page.getByRole('option', { name: 'brakes' }).click();
  await page.getByRole('dialog').getByRole('textbox').fill('new pads');
  await page.keyboard.press('Enter');
  await expect(car.getByText(/^0 of 14000 MJ/)).toBeVisible();
  await car.getByText(/^Service log/).click();
  await expect(car.getByText(/brakes: new pads/)).toBeVisible();
  await car.getByRole('button', { name: 'wheels to the left' }).click();
  await expect(car.getByRole('button', { name: 'wheels to the right' })).toBeVisible();
  await car.getByRole('button', { name: 'card in' }).click();
  await expect(car.getByRole('button', { name: 'card out' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Stall 7:.*wheels to the right/ }).click();
  await expect(car.getByRole('button', { name: 'card out' })).toBeVisible();
});
