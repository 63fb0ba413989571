import { expect, test, type Browser, type Page } from '@playwright/test';
import { figures, percentile } from './table';

/** `npm run bench`: what the interface and the server need on the demo day. Prints rows of a table; asserts no times. */

const { row, print } = figures();

test.beforeEach(async ({ request }) => {
  await request.post('/api/demo/reset');
});
test.afterAll(print);

async function fresh(browser: Browser): Promise<Page> {
  return (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
}

test('time to a usable board', async ({ browser }) => {
  const times: number[] = [];
  for (let run = 0; run < 7; run++) {
    const page = await fresh(browser);
    const startedAt = Date.now();
    await page.goto('/board');
    await page.locator('.drive').first().waitFor();
    times.push(Date.now() - startedAt);
    await page.context().close();
  }
  row('navigation to a usable board, median of 7 fresh browsers', `${percentile(times, 0.5)} ms`);
  expect(times.length).toBe(7);
});

test('reading the day under load', async ({ baseURL }) => {
  const RATE = 50;
  const SECONDS = 20;
  const times: number[] = [];
  const requests: Promise<void>[] = [];
  for (let sent = 0; sent < RATE * SECONDS; sent++) {
    const startedAt = performance.now();
    requests.push(
      fetch(`${baseURL}/api/days/2027-05-22`)
        .then((response) => response.arrayBuffer())
        .then(() => void times.push(performance.now() - startedAt)),
    );
    await new Promise((resolve) => setTimeout(resolve, 1000 / RATE));
  }
  await Promise.all(requests);
  row(`reading the day, ${RATE} requests a second for ${SECONDS} s, p50`, `${percentile(times, 0.5).toFixed(1)} ms`);
  row('… p95', `${percentile(times, 0.95).toFixed(1)} ms`);
  expect(times.length).toBe(RATE * SECONDS);
});

test('an entry in one browser seen in another', async ({ browser }) => {
  const [writer, reader] = [await fresh(browser), await fresh(browser)];
  await Promise.all([writer.goto('/guests/lk-1050'), reader.goto('/guests/lk-1050')]);
  await reader.getByRole('heading', { name: 'What happened' }).waitFor();
  const times: number[] = [];
  for (let note = 0; note < 60; note++) {
    const text = `measured ${note}`;
    const seen = reader.evaluate(
      (wanted) =>
        new Promise<number>((resolve) => {
          const observer = new MutationObserver(() => {
            if (!document.body.textContent?.includes(wanted)) return;
            observer.disconnect();
            resolve(Date.now());
          });
          observer.observe(document.body, { subtree: true, childList: true, characterData: true });
        }),
      text,
    );
    await writer.getByLabel('A note about this guest').fill(text);
    const entered = await writer.evaluate(() => {
      const at = Date.now();
      document.querySelector<HTMLButtonElement>('section[aria-label="History"] button[type="submit"]')!.click();
      return at;
    });
    times.push((await seen) - entered);
  }
  row('entry in one browser drawn in another, 60 entries, p50', `${percentile(times, 0.5)} ms`);
  row('… p95', `${percentile(times, 0.95)} ms`);
  expect(times.length).toBe(60);
});
