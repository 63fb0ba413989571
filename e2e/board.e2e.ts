import type { Locator, Page } from '@playwright/test';
import { expect, acceptProposal, endSearch, secondBrowser, seriousFaults, test } from './demo';

interface Planned {
  drive: string;
  car: string;
  instructor: string;
  release: string;
}
const DAY = '/api/days/2027-05-22';
const view = async (page: Page) => (await page.request.get(DAY)).json();
const planned = async (page: Page): Promise<Planned[]> => (await view(page)).plan.drives;
const revision = async (page: Page): Promise<number> => (await view(page)).revision.revision;
const placeOf = async (page: Page, id: string) => (await planned(page)).find(({ drive }) => drive === id)!;

/** The last drive of the day: later there is room. */
async function lastDrive(page: Page): Promise<{ id: string; block: Locator; before: Planned }> {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  const before = [...(await planned(page))].sort((a, b) => a.release.localeCompare(b.release)).at(-1)!;
  return { id: before.drive, block: page.locator(`[data-block="${before.drive}"]`), before };
}

test('a drive is dragged to a later time, accepted with the verdict allowed, and taken back', async ({ page }) => {
  const { id, block, before } = await lastDrive(page);
  const box = (await block.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.move(box.x + 48, box.y + 20, { steps: 5 });
  await expect(page.locator('.verdict')).toContainText('Allowed.');
  await expect(page.locator('.ghost.trial')).toHaveCount(1);
  await page.mouse.up();
  await expect.poll(() => revision(page)).toBe(3);
  expect((await placeOf(page, id)).release > before.release).toBe(true);
  await expect(page.getByRole('button', { name: /Take back/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(() => revision(page)).toBe(4);
  expect(await placeOf(page, id)).toEqual(before);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => revision(page)).toBe(5);
});

test('by keyboard a broken rule is refused; as the manager’s decision it stands, marked until it is solved', async ({
  page,
}) => {
  const { id, block, before } = await lastDrive(page);
  const early = async () => {
    await block.focus();
    await page.keyboard.press('m');
    // Back to before the guest has come, or on top of the drive before.
    for (let steps = 0; steps < 30; steps++) await page.keyboard.press('Alt+ArrowLeft');
  };
  await early();
  await expect(page.locator('.verdict.refused')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Nothing is changed; with Shift it is your decision/)).toBeVisible();
  expect(await placeOf(page, id)).toEqual(before);
  await early();
  await expect(page.locator('.verdict.refused')).toBeVisible();
  await page.keyboard.press('Shift+Enter');
  await expect.poll(() => revision(page)).toBe(3);
  await expect(page.locator(`.drive.broken[data-block="${id}"]`)).toBeVisible();
  await page.getByRole('button', { name: /broken/ }).click();
  await expect(page.getByRole('list', { name: 'Broken rules' })).toContainText('Rule broken');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Accepted plans' }).click();
  await expect(page.getByText(/^By decision:/).first()).toBeVisible();

  await page.getByRole('button', { name: 'Bring back plan 2' }).click();
  await acceptProposal(page);
  await expect(page.locator(`.drive.broken[data-block="${id}"]`)).toHaveCount(0);
  expect(await placeOf(page, id)).toEqual(before);
});

test('what happened leads to a repair in two or three clicks, seen by every screen, accepted or dropped', async ({
  page,
  browser,
}) => {
  const other = await secondBrowser(browser);
  await other.goto('/board');
  await page.goto('/board');
  await page.getByRole('button', { name: 'What happened?' }).click();
  await page.getByRole('button', { name: 'Car withdrawn' }).click();
  await page.getByRole('combobox', { name: 'Which car?' }).click();
  await page.getByRole('option', { name: '7 Vessant 610' }).click();
  await page.getByRole('button', { name: 'Enter, and look for a repair' }).click();
  const proposal = page.getByRole('complementary', { name: 'Proposal' });
  await endSearch(page);
  await expect(proposal.getByText('Vessant 610 is away').first()).toBeVisible();
  expect(await page.locator('.ghost.proposal').count()).toBeGreaterThan(0);
  await expect(other.getByRole('complementary', { name: 'Proposal' })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  expect(await revision(page)).toBe(2);
  await proposal.getByRole('button', { name: 'Accept' }).click();
  await expect.poll(() => revision(page)).toBe(3);
  const now = (await planned(page)).filter(({ car, release }) => car === 'c7' && release > '11:12');
  expect(now).toEqual([]);
  await expect(other.getByRole('complementary', { name: 'Proposal' })).toBeHidden();
});

test('a proposal can be refused in part: what is not wanted stays where it is', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.keyboard.press('h');
  await page.getByRole('button', { name: 'Running late' }).click();
  await page.getByRole('button', { name: '15 min', exact: true }).click();
  const proposal = page.getByRole('complementary', { name: 'Proposal' });
  await proposal.getByRole('button', { name: 'Drop' }).waitFor();
  await proposal.getByRole('button', { name: 'Drop' }).click();
  await expect(proposal).toBeHidden();
  expect(await revision(page)).toBe(2);
});

test('the load of the day, what matters and the plans are there to look at', async ({ page }) => {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  const open = async (name: string) => {
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name }).click();
  };
  await open('Load of the day');
  await expect(page.getByRole('img', { name: /^Use by quarter hour/ })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await open('What matters');
  const slider = page.getByRole('slider', { name: 'Keep the same instructor' });
  for (const stop of ['3', '4']) {
    await slider.press('ArrowRight');
    await expect(slider).toHaveAttribute('aria-valuenow', stop);
  }
  await expect(page.getByText('matters a lot')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Plan again to use it.')).toBeVisible();
  const venue = await (await page.request.get('/api/venue')).json();
  expect(venue.fields.rules.weights).toEqual({ continuity: 60 });
  await open('Accepted plans');
  await page.getByRole('button', { name: 'Compare plan 1' }).click();
  await page.getByRole('button', { name: 'Compare plan 2' }).click();
  await expect(page.getByText('From plan 1 to plan 2')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
});

test('a drive that is left out gets its place with one click on what would help', async ({ page }) => {
  await page.goto('/board');
  await page.getByRole('button', { name: /left out/ }).click();
  const panel = page.getByRole('complementary', { name: 'To solve' });
  await panel
    .getByRole('button', { name: /instead, at/ })
    .first()
    .click();
  await expect(page.getByText(/^Done: /)).toBeVisible();
  await expect.poll(async () => (await planned(page)).some(({ drive }) => drive === 'LK-1056-2')).toBe(true);
});

test('the desk finds one more drive for a guest, with its price', async ({ page }) => {
  await page.goto('/guests/lk-1063');
  await page.getByRole('button', { name: 'One more drive' }).click();
  const cars = page.locator('p-multiselect');
  await cars.click();
  await page.getByRole('option', { name: /Oskarra Nine/ }).click();
  await cars.click();
  await expect(page.getByRole('listbox')).toBeHidden();
  await page.getByRole('button', { name: 'When?' }).click();
  const places = page.getByRole('list', { name: 'Places' });
  await expect(places.getByText('nobody moves').first()).toBeVisible();
  await expect(places.getByText('€210').first()).toBeVisible();
  const { fields } = (await view(page)).bookings.find(({ id }: { id: string }) => id === 'lk-1063');
  await places.getByRole('button', { name: /^Take/ }).first().click();
  await expect(page.getByText(/^One more drive: \d+ Oskarra Nine/)).toBeVisible();
  const changed = (await view(page)).bookings.find(({ id }: { id: string }) => id === 'lk-1063').fields;
  expect([changed.drives.length, changed.price]).toEqual([fields.drives.length + 1, fields.price + 210]);
});
