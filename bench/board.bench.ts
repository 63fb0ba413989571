import { expect, test, type Page } from '@playwright/test';
import { figures, percentile } from './table';
import { uploadDay } from './upload-day';

/** `npm run bench`: the board with many drives, and the server while it plans. Prints rows of a table; asserts no times. */

const { row, print } = figures();

test.beforeEach(async ({ request }) => {
  await request.post('/api/demo/reset');
});
test.afterAll(print);

async function openBoard(page: Page, date: string): Promise<void> {
  await page.goto('/board');
  await page.locator('.drive').first().waitFor();
  await page.locator('header button', { hasText: '2027' }).first().click();
  await page
    .getByRole('dialog')
    .getByText(new RegExp(Number(date.slice(8)) + ' Jun'))
    .click();
  await expect.poll(() => page.locator('.drive').count()).toBeGreaterThan(100);
  await page.waitForTimeout(1500);
}

/** Times between frames while something is done in every frame. */
function framesWhile(page: Page, what: 'zoom' | 'scroll' | 'pan'): Promise<number[]> {
  return page.evaluate(async (kind) => {
    const svg = document.querySelector('jl-board-chart svg')!;
    const scroller = document.querySelector('jl-board-chart')!;
    const box = svg.getBoundingClientRect();
    const at = { bubbles: true, cancelable: true, clientX: box.x + box.width / 2, clientY: 400 };
    const times: number[] = [];
    const mouse = (name: string, x: number) => {
      const event = new MouseEvent(name, { ...at, clientX: x, clientY: 171, view: window });
      (name === 'mousedown' ? svg : window).dispatchEvent(event);
    };
    if (kind === 'pan') mouse('mousedown', at.clientX);
    let last = await new Promise<number>(requestAnimationFrame);
    for (let frame = 0; frame < 240; frame++) {
      const back = Math.floor(frame / 40) % 2 === 1 ? -1 : 1;
      if (kind === 'zoom') svg.dispatchEvent(new WheelEvent('wheel', { ...at, deltaY: -12 * back, ctrlKey: true }));
      if (kind === 'scroll') scroller.scrollTop += 18 * back;
      if (kind === 'pan') mouse('mousemove', at.clientX + ((frame % 80) - 40) * 6);
      const now = await new Promise<number>(requestAnimationFrame);
      times.push(now - last);
      last = now;
    }
    if (kind === 'pan') mouse('mouseup', at.clientX);
    return times;
  }, what);
}

test('400 drives, 40 cars: scrolling, zooming and panning', async ({ page, request }) => {
  const date = await uploadDay(request, 400, 40);
  await openBoard(page, date);
  row('drives on the board', String(await page.locator('.drive').count()));
  for (const what of ['scroll', 'zoom', 'pan'] as const) {
    const times = await framesWhile(page, what);
    if (what === 'zoom') {
      // Panning is tried at three hours, as a person would.
      await page.getByText('3 h', { exact: true }).click();
      await page.waitForTimeout(500);
    }
    const smooth = times.filter((time) => time < 25).length / times.length;
    row(
      `${what}, 240 frames: under 25 ms`,
      `${(smooth * 100).toFixed(1)} %, p95 ${percentile(times, 0.95).toFixed(1)} ms`,
    );
  }
});

test('150 drives: the verdict while a drive moves', async ({ page, request }) => {
  const date = await uploadDay(request, 150, 13);
  await page.addInitScript(() => {
    const taken: number[] = [];
    const Real = Worker;
    Object.assign(window, {
      verdictTimes: taken,
      Worker: class extends Real {
        constructor(...args: ConstructorParameters<typeof Worker>) {
          super(...args);
          const asked = new Map<string, number>();
          const post = this.postMessage.bind(this) as (question: unknown) => void;
          // As comlink asks: a call by the path of its method, answered under the same id.
          this.postMessage = (question: { id: string; path?: string[] }) => {
            if (question.path?.at(-1) === 'judge') asked.set(question.id, performance.now());
            post(question);
          };
          this.addEventListener('message', ({ data }: MessageEvent<{ id: string }>) => {
            const at = asked.get(data.id);
            if (at !== undefined) taken.push(performance.now() - at);
          });
        }
      },
    });
  });
  await openBoard(page, date);
  const drive = page.locator('.drive.movable').nth(60);
  await drive.scrollIntoViewIfNeeded();
  const box = (await drive.boundingBox())!;
  await page.mouse.move(box.x + 6, box.y + 20);
  await page.mouse.down();
  for (let step = 0; step < 150; step++) {
    await page.mouse.move(box.x + 6 + (step % 70), box.y + 20 + (step % 40));
    await page.waitForTimeout(16);
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
  const times = await page.evaluate(() => (window as unknown as { verdictTimes: number[] }).verdictTimes);
  row(`verdict while a drive moves, ${times.length} places, p50`, `${percentile(times, 0.5).toFixed(1)} ms`);
  row('… p95', `${percentile(times, 0.95).toFixed(1)} ms`);
  expect(times.length).toBeGreaterThan(20);
});

test('other requests while a plan is being looked for', async ({ request, baseURL }) => {
  const date = await uploadDay(request, 150, 13);
  const order = { author: 'Bench', reason: 'Better', mode: 'improve', seconds: 20 };
  await request.post(`/api/days/${date}/planning`, { data: order });
  const times: number[] = [];
  const requests: Promise<void>[] = [];
  for (let sent = 0; sent < 20 * 15; sent++) {
    const startedAt = performance.now();
    const path = sent % 4 === 0 ? `/api/days/${date}` : sent % 4 === 1 ? '/api/cars' : '/api/days/2027-05-22';
    const asked =
      sent % 4 === 3
        ? fetch(`${baseURL}/api/days/2027-05-22/journal`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ id: `bench-note-${sent}`, kind: 'noteTaken', text: 'n', at: '11:00', by: 'Bench' }),
          })
        : fetch(`${baseURL}${path}`);
    requests.push(
      asked.then((response) => response.arrayBuffer()).then(() => void times.push(performance.now() - startedAt)),
    );
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  await Promise.all(requests);
  const { job } = await (await request.get(`/api/days/${date}/planning`)).json();
  expect(job.state).toBe('running');
  await request.post(`/api/days/${date}/planning/drop`);
  row(
    'reads and entries while a plan is looked for, 20 a second for 15 s, p50',
    `${percentile(times, 0.5).toFixed(1)} ms`,
  );
  row('… p95', `${percentile(times, 0.95).toFixed(1)} ms`);
});
