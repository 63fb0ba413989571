import { rmSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { dayView } from '@core/api';
import { expect, acceptProposal, guard, secondBrowser, startVenue, test } from './demo';

/** In the venue's own hours, whenever this walk is taken: a zone in which it is morning, on the same date as in UTC. */
function morningZone(): { readonly zone: string; readonly words: string } {
  const now = new Date();
  const local = (timeZone: string) => {
    const parts = new Intl.DateTimeFormat('en-CA', { timeZone, hour: '2-digit', hourCycle: 'h23', day: '2-digit' });
    const of = Object.fromEntries(parts.formatToParts(now).map(({ type, value }) => [type, Number(value)]));
    return { hour: of['hour']!, day: of['day']! };
  };
  const zone = Intl.supportedValuesOf('timeZone').find((one) => {
    const { hour, day } = local(one);
    return hour >= 7 && hour <= 12 && day === now.getUTCDate();
  })!;
  return { zone, words: zone.replaceAll('/', ', ').replaceAll('_', ' ') };
}

const OPEN = '06:00';
const CLOSED = '23:00';
const LIST = [
  'Buchungsnummer;Gast;Ankunft;Fahrzeug;Anzahl Runden;Preis',
  ...[
    ['Ada Norn', 'Small car', 5],
    ['Ben Ost', 'Roadster', 5],
    ['Cleo Mar', 'Fierce one', 6],
    ['Dov Lien', 'Small car', 5],
    ['Eva Holm', 'Roadster', 7],
    ['Finn Arr', 'Fierce one', 5],
  ].map(([name, car, laps], place) => `N-${place + 1};${name};13:${place}0;${car};${laps};120,00`),
].join('\r\n');

/** A folder, where pictures are asked for. */
const PICTURES = process.env['FIRST_DAY_PICTURES'];
/** The pictures of `docs/first-day.md`, where they are asked for. */
async function picture(page: Page, file: string): Promise<void> {
  if (PICTURES) await page.screenshot({ path: `${PICTURES}/${file}.png` });
}

/** Everything that somebody clicks, chooses or types into, counted. */
class Hands {
  actions = 0;
  async click(target: Locator): Promise<void> {
    this.actions += 1;
    await target.click();
  }
  async fill(target: Locator, text: string): Promise<void> {
    this.actions += 1;
    await target.fill(text);
  }
  async give(target: Locator, name: string, text: string): Promise<void> {
    this.actions += 1;
    // As a spreadsheet of an office writes it.
    await target.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text, 'latin1') });
  }
}

const step = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'First steps' }).getByRole('link', { name: new RegExp(name) });

async function drawCircuit(page: Page, hands: Hands): Promise<void> {
  await hands.click(page.getByRole('button', { name: 'Draw the circuit' }));
  const sheet = page.getByRole('application', { name: /^Sheet/ });
  await sheet.waitFor();
  const box = (await sheet.boundingBox())!;
  for (const [across, down] of [
    [0.3, 0.85],
    [0.7, 0.85],
    [0.85, 0.65],
    [0.72, 0.45],
    [0.8, 0.2],
    [0.55, 0.15],
    [0.4, 0.4],
    [0.15, 0.45],
    [0.15, 0.7],
  ]) {
    hands.actions += 1;
    await page.mouse.click(box.x + across! * box.width, box.y + down! * box.height);
  }
  await picture(page, 'draw');
  await hands.click(page.getByRole('button', { name: 'Take it over' }));
  await hands.click(page.getByRole('button', { name: 'Save', exact: true }));
  await expect(step(page, 'Circuit')).toContainText('done');
}

async function addPerson(page: Page, hands: Hands, name: string): Promise<void> {
  await hands.fill(page.getByLabel('Name', { exact: true }), name);
  await hands.click(page.getByRole('button', { name: 'Add this person' }));
  await expect(page.getByRole('listitem').filter({ hasText: name }).first()).toBeVisible();
}

async function planFirst(page: Page, hands: Hands): Promise<void> {
  await hands.click(step(page, 'First plan'));
  await hands.click(page.getByRole('button', { name: 'Plan the day' }));
  await acceptProposal(page);
  hands.actions += 1;
  await expect(page.locator('.drive').first()).toBeVisible();
}

/** Whose drive is the first of the day, by the plan, and with whom. */
async function firstOut(page: Page, url: string): Promise<{ readonly guest: string; readonly instructor: string }> {
  const { days } = (await (await page.request.get(`${url}/api/days`)).json()) as { days: { date: string }[] };
  const { day, plan } = dayView.parse(await (await page.request.get(`${url}/api/days/${days[0]!.date}`)).json());
  const [first] = [...plan!.drives].sort((a, b) => a.release - b.release);
  return {
    guest: day.guests.find(({ drives }) => drives.some(({ id }) => id === first!.drive))!.name,
    instructor: day.instructors.find(({ id }) => id === first!.instructor)!.name,
  };
}

test.describe('from an empty folder', () => {
  test.setTimeout(300_000);
  test.use({ actionTimeout: 30_000 });

  test('to a planned day: circuit drawn, cars, people, a vehicle, a foreign list, and the first guest let out', async ({
    browser,
  }, info) => {
    const venue = await startVenue(info.parallelIndex + 30);
    const hands = new Hands();
    try {
      const page = await (
        await browser.newContext({ baseURL: venue.url, viewport: { width: 1280, height: 800 } })
      ).newPage();
      const faults = guard(page);
      const { zone, words } = morningZone();
      await page.goto('/');
      await hands.click(step(page, 'Venue and hours'));
      await hands.fill(page.getByLabel('Venue', { exact: true }), 'Quarry Field');
      await hands.click(page.getByRole('combobox', { name: 'Time zone' }));
      await hands.fill(page.getByRole('searchbox'), words);
      await hands.click(page.getByRole('option', { name: words, exact: true }));
      await hands.fill(page.getByLabel('Opens'), OPEN);
      await hands.fill(page.getByLabel('Closes'), CLOSED);
      await hands.click(page.getByRole('button', { name: 'Save the venue' }));
      await expect(step(page, 'Venue and hours')).toContainText('done');

      await hands.click(page.getByRole('link', { name: /^Draw it/ }));
      await drawCircuit(page, hands);

      await hands.click(step(page, 'Cars'));
      for (const kind of ['Small car', 'Roadster', 'Fierce one']) {
        await hands.click(page.getByRole('button', { name: `One more: ${kind}` }));
      }
      await picture(page, 'steps');
      await hands.click(page.getByRole('button', { name: 'Add these 3 cars' }));
      await expect(step(page, 'Cars')).toContainText('done');

      for (const name of ['Gwen Aske', 'Hal Brim', 'Iris Cove']) await addPerson(page, hands, name);

      await hands.click(step(page, 'How guests get to know it'));
      const vehicle = page.getByRole('group', { name: 'Vehicle 1' });
      await hands.fill(vehicle.getByLabel('Name'), 'Brown van');
      await hands.fill(vehicle.getByLabel('There'), `${OPEN}–${CLOSED}`);
      await hands.click(page.getByRole('button', { name: 'Save class and circuit' }));

      await hands.click(step(page, 'Bookings'));
      await hands.click(page.getByRole('link', { name: 'Bring in a list' }));
      await hands.give(page.getByLabel('CSV file'), 'Buchungen.csv', LIST);
      await hands.click(page.getByRole('button', { name: 'Import 6 good rows' }));
      await planFirst(page, hands);

      const other = await secondBrowser(browser);
      const { guest, instructor } = await firstOut(other, venue.url);
      await other.goto(`${venue.url}/gate`);
      await hands.click(
        other.getByRole('listitem').filter({ hasText: guest }).getByRole('button', { name: 'Clear', exact: true }),
      );
      await other.goto(`${venue.url}/classroom`);
      await hands.click(other.locator('article', { hasText: guest }).getByRole('button', { name: 'Begin class' }));
      await hands.click(other.getByRole('button', { name: 'End class' }));
      await hands.click(other.locator('article', { hasText: guest }).getByRole('button', { name: 'Let out' }));
      await hands.click(other.getByRole('button', { name: 'Back', exact: true }));
      await other.goto(`${venue.url}/counter`);
      await hands.click(other.getByRole('button', { name: instructor }));
      await hands.click(other.getByRole('button', { name: 'Guest is seated' }));
      await other.goto(`${venue.url}/pit-exit`);
      await hands.click(other.getByRole('button', { name: /^All checked/ }).first());
      await hands.click(other.getByRole('button', { name: /^Let out \d/ }).first());
      await expect(other.getByRole('button', { name: `Count lap of ${guest}` })).toBeVisible();
      expect(faults).toEqual([]);
      console.log(
        `from an empty folder to the first guest on the circuit: ${hands.actions} clicks and fields (zone ${zone})`,
      );
      expect(hands.actions).toBeLessThanOrEqual(60);
    } finally {
      await venue.stop();
    }
  });

  test('to a planned day with the list first: its cars are created from it', async ({ browser }, info) => {
    const venue = await startVenue(info.parallelIndex + 30);
    const hands = new Hands();
    try {
      const page = await (
        await browser.newContext({ baseURL: venue.url, viewport: { width: 1280, height: 800 } })
      ).newPage();
      const faults = guard(page);
      await page.goto('/bookings#do:import');
      await hands.give(page.getByLabel('CSV file'), 'Buchungen.csv', LIST);
      await expect(page.getByText('3 cars in this list are not in the fleet')).toBeVisible();
      await hands.click(page.getByRole('button', { name: 'Create these 3 cars' }));
      await hands.click(page.getByRole('button', { name: 'Import 6 good rows' }));
      await expect(page.getByText('Ada Norn').first()).toBeVisible();
      await hands.click(step(page, 'Crew'));
      await addPerson(page, hands, 'Gwen Aske');
      await page.goto('/start');
      await expect(page.getByText(/keeps? this day from/)).toContainText('One thing');
      await page.goto('/cars');
      await expect(page.getByText('lap time assumed')).toHaveCount(3);
      expect(faults).toEqual([]);
      console.log(`list first: ${hands.actions} clicks and fields`);
    } finally {
      await venue.stop();
    }
  });

  test.afterAll(({}, info) => rmSync(`.tmp/venue-${info.parallelIndex + 30}`, { recursive: true, force: true }));
});
