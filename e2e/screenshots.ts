import type { APIRequestContext, Page } from '@playwright/test';
import { SCREENS } from '../web/app/screens';
import { expect, convoyReady, test } from './demo';

/** The pictures of docs/screenshots, from the demo day at ten past eleven: each that a screen has registered. */
const FOLDER = 'docs/screenshots';
const PHONE = { width: 390, height: 844 };

interface Shot {
  readonly size?: { readonly width: number; readonly height: number };
  /** What is done before the screen is opened. */
  readonly before?: (page: Page, request: APIRequestContext) => Promise<void>;
  /** What is done on it. */
  readonly steps?: (page: Page) => Promise<void>;
  readonly after?: (page: Page) => Promise<void>;
}

/** Computed in a worker, and there once nothing is being computed. */
const computed = async (page: Page) => {
  await page.waitForTimeout(3000);
  await expect(page.getByText('Computing…')).toBeHidden();
};

interface Seating {
  readonly kind: string;
  readonly drive: string;
  readonly instructor: string;
}

/** The instructor of the last drive of which something was entered. */
async function lastOf(request: APIRequestContext, kind: string): Promise<string> {
  const { journal } = (await (await request.get('/api/days/2027-05-22')).json()) as { journal: { entry: Seating }[] };
  const entries = journal.map(({ entry }) => entry);
  const { drive } = entries.findLast((entry) => entry.kind === kind)!;
  return entries.findLast((entry) => entry.kind === 'seated' && entry.drive === drive)!.instructor;
}

/** The phone of an instructor. */
const ofInstructor = async (page: Page, id: string): Promise<void> => {
  await page.addInitScript((instructor) => localStorage.setItem('joylap.counter', instructor), id);
};

/** Where more is to be seen than what a screen opens with. */
const SHOTS: Readonly<Record<string, Shot>> = {
  board: { steps: async (page) => void (await page.locator('.drive').first().waitFor()) },
  'board-dusk': {
    before: async (page) => void (await page.addInitScript(() => localStorage.setItem('joylap.theme', 'dusk'))),
    steps: async (page) => {
      await page.getByRole('button', { name: '3 h' }).click();
      await page.locator('.drive.now').nth(3).click();
      await expect(page.getByRole('complementary', { name: /^Drive of/ })).toBeVisible();
    },
  },
  proposal: {
    steps: async (page) => {
      await page.locator('.drive').first().waitFor();
      await page.getByRole('button', { name: 'What happened?' }).click();
      await page.getByRole('button', { name: 'Car withdrawn' }).click();
      await page.getByRole('combobox', { name: 'Which car?' }).click();
      await page.getByRole('option', { name: '7 Vessant 610' }).click();
      await page.getByRole('button', { name: 'Enter, and look for a repair' }).click();
      await page.getByRole('button', { name: /^Accept/ }).waitFor();
    },
    after: async (page) => void (await page.request.post('/api/days/2027-05-22/planning/drop')),
  },
  'pit-exit': {
    size: { width: 1024, height: 768 },
    steps: async (page) => {
      await page
        .getByRole('button', { name: /^All checked/ })
        .first()
        .waitFor();
      await page.locator('jl-circuit-view .cone').first().waitFor({ state: 'attached' });
    },
  },
  'counter-phone': {
    size: PHONE,
    before: async (page, request) => ofInstructor(page, await lastOf(request, 'released')),
    steps: (page) => page.getByText('Count lap').waitFor(),
  },
  'parking-phone': {
    size: PHONE,
    before: async (page, request) => ofInstructor(page, await lastOf(request, 'parked')),
    steps: (page) => page.getByRole('button', { name: 'Hand over the card' }).waitFor(),
  },
  'talk-phone': {
    size: PHONE,
    before: async (page, request) => ofInstructor(page, await lastOf(request, 'seated')),
    steps: async (page) => {
      const promised = page.getByRole('region', { name: 'To be promised' });
      await promised.waitFor();
      await page.getByRole('region', { name: 'This guest' }).evaluate((group) => group.scrollIntoView());
    },
  },
  groups: {
    before: convoyReady,
    steps: (page) => page.getByRole('region', { name: 'Convoy at ten' }).waitFor(),
  },
  'lead-phone': {
    size: PHONE,
    before: convoyReady,
    steps: async (page) => {
      await page.goto('/lead?group=p-convoy');
      await page.getByRole('button', { name: '4 of 4 sit in the cars' }).click();
      for (const name of ['Runa Westby', 'Otis Valkama', 'Mireia Sant', 'Jens Kofoed']) {
        await page.getByRole('button', { name: `Radio of ${name} answered` }).click();
      }
      await page.getByRole('button', { name: 'Let out' }).click();
      await page.getByRole('button', { name: 'Lap done' }).click();
      await page.getByRole('button', { name: 'Lap done' }).click();
      await page.getByText('Runa: on the Runway, pull to the right and slow to 60.').waitFor();
    },
  },
  'guest-card': { steps: (page) => page.getByRole('heading', { name: 'What happened' }).waitFor() },
  circuit: { steps: computed },
  garage: { steps: computed },
  'calls-phone': { size: PHONE, steps: computed },
  show: {
    steps: async (page) => {
      // It opens in the language of most of the next class.
      await page.getByRole('button', { name: 'English' }).click();
      await page.getByText('9 corners').waitFor();
      for (let slide = 0; slide < 10; slide++) await page.keyboard.press('PageDown');
      await page.getByRole('heading', { name: 'Ramp' }).waitFor();
      await page.waitForTimeout(1000);
    },
  },
  results: { steps: (page) => page.getByRole('img', { name: /^Marks by corner/ }).waitFor() },
  'marks-phone': {
    size: PHONE,
    steps: async (page) => {
      await page.getByRole('button', { name: 'Winch' }).click();
      await page.getByRole('button', { name: 'Turn in', exact: true }).click();
      await page.getByRole('button', { name: /^Turns in early/ }).click();
      await page.getByRole('button', { name: 'Throttle', exact: true }).click();
    },
  },
};

const pictures = SCREENS.flatMap(({ demo, pictures: own = [], parts = [] }) => [
  ...own.map(({ file }) => ({ file, address: demo })),
  ...parts.flatMap((part) => (part.pictures ?? []).map(({ file }) => ({ file, address: `${demo}/${part.path}` }))),
]);

for (const { file, address } of pictures) {
  const { size, before, steps, after } = SHOTS[file] ?? {};
  test(file, async ({ page, request }) => {
    if (size) await page.setViewportSize(size);
    await before?.(page, request);
    await page.goto(address);
    await expect(page.locator('h1').first()).toBeAttached();
    await steps?.(page);
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${FOLDER}/${file}.png` });
    await after?.(page);
  });
}

test('every picture that is taken in some way of its own is registered', () => {
  expect(Object.keys(SHOTS).filter((file) => !pictures.some((picture) => picture.file === file))).toEqual([]);
});
