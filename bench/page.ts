import { chromium, type Browser } from '@playwright/test';

/** A page that is left open, and what it costs its device. */
export interface OpenPage {
  readonly browser: Browser;
  /** After a collection: heap, seconds of a processor so far, elements. */
  readonly figures: () => Promise<{ readonly heapMb: number; readonly taskS: number; readonly nodes: number }>;
}

/** Opens a page in Debian's Chromium and waits for something on it. */
export async function openPage(url: string, shows: string): Promise<OpenPage> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(url);
  await page.locator(shows).first().waitFor();
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  await session.send('HeapProfiler.enable');
  const figures = async () => {
    await session.send('HeapProfiler.collectGarbage');
    const { metrics } = await session.send('Performance.getMetrics');
    const of = (name: string) => metrics.find((metric) => metric.name === name)!.value;
    return { heapMb: of('JSHeapUsedSize') / 2 ** 20, taskS: of('TaskDuration'), nodes: of('Nodes') };
  };
  return { browser, figures };
}
