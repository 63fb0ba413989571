import { once } from 'node:events';
import { createServer, request as ask } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, keepsApplication, test } from './demo';

test.use({ serviceWorkers: 'allow' });

/** A network before the server that, once it is `poor`, breaks off in the middle of the list of what to keep. */
async function network(server: string) {
  const line = { url: '', poor: false, asked: 0, end: () => proxy.close().closeAllConnections() };
  const proxy = createServer((incoming, outgoing) => {
    if (line.poor && incoming.url!.startsWith('/ngsw.json')) {
      line.asked += 1;
      outgoing.writeHead(200, { 'content-type': 'application/json', 'content-length': 5000 });
      outgoing.write('{"configVersion":', () => outgoing.destroy());
      return;
    }
    const { method, headers } = incoming;
    const onward = ask(server + incoming.url, { method, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode!, answer.headers);
      answer.pipe(outgoing);
    });
    onward.on('error', () => outgoing.destroy());
    outgoing.on('close', () => onward.destroy());
    incoming.pipe(onward);
  }).listen(0, '127.0.0.1');
  await once(proxy, 'listening');
  line.url = `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`;
  return line;
}

// That no request leaves the machine is held on every page of every walk, by `guard`.
test('the family of the interface comes with it, and what is served is kept for as long as it may be', async ({
  page,
}) => {
  const fonts: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.endsWith('.woff2')) fonts.push(pathname);
  });
  await page.goto('/board');
  await expect(page.locator('.drive').first()).toBeVisible();
  // The family of the interface comes with it.
  expect(fonts.some((path) => path.includes('archivo'))).toBe(true);
  expect(await page.evaluate(() => document.fonts.check('14px "Archivo Variable"'))).toBe(true);
  const keptFor = async (path: string) => (await page.request.get(path)).headers()['cache-control'];
  expect(await keptFor(fonts[0]!)).toContain('immutable');
  for (const path of ['/', '/service-worker.js', '/ngsw.json', '/mark.svg'])
    expect(await keptFor(path)).toBe('no-cache');
});

test('every screen is there when the network has gone, once they have been loaded', async ({ page, context }) => {
  await page.goto('/board');
  await expect(page.locator('.drive').first()).toBeVisible();
  await keepsApplication(page);
  // What is asked of the server goes past the worker that keeps the screens.
  const past: boolean[] = [];
  page.on('response', (response) => {
    if (response.url().includes('/api/')) past.push(!response.fromServiceWorker());
  });
  await page.reload();
  await expect(page.locator('.drive').first()).toBeVisible();
  expect(past.length).toBeGreaterThan(0);
  expect(past).not.toContain(false);
  await context.setOffline(true);
  await expect(page.getByText('Offline')).toBeVisible();
  for (const [key, heading] of [
    ['1', 'Gate'],
    ['2', 'Classroom'],
    ['4', 'Pit exit'],
    ['6', 'Debrief'],
    ['7', 'Desk'],
    ['k', 'Bookings'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
  }
  await context.setOffline(false);
  await expect(page.getByText('Offline')).toBeHidden();
});

test('a network that breaks off in the middle of asking for a new version keeps nobody from opening the screen', async ({
  page,
  context,
  demo,
}) => {
  const line = await network(demo);
  await page.goto(`${line.url}/pit-exit`);
  await expect(page.getByRole('heading', { name: 'Pit exit' })).toBeVisible();
  await keepsApplication(page);
  line.poor = true;
  await page.reload();
  // After a page has been opened the worker asks whether there is a new version, once it is quiet.
  await expect.poll(() => line.asked).toBeGreaterThan(0);
  await page.waitForTimeout(1000);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Pit exit' })).toBeVisible();
  line.end();
});
