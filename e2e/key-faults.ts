import type { Page } from '@playwright/test';

/** No screen has so many places to go to; a walk that is not over by then goes round in a part of it. */
const MOST_TABS = 600;

interface Step {
  /** Nothing where the focus has left the page. */
  readonly at: string | undefined;
  readonly seen: boolean;
  readonly again: boolean;
}

/**
 * Walks a page with Tab from its beginning to its end: what cannot be reached, what does not show that it has the focus,
 * and where the focus does not get out of again.
 */
export async function keyFaults(page: Page): Promise<string[]> {
  await page.evaluate(() => {
    // A ring that grows into view would be looked at before it is there.
    const still = new CSSStyleSheet();
    still.replaceSync('* { transition: none !important; }');
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, still];
    const tabbable = 'a[href], button, input, select, textarea, summary, [tabindex]';
    const reachable = [...document.querySelectorAll<HTMLElement | SVGElement>(tabbable)].filter(
      (one) => one.tabIndex >= 0 && !one.matches(':disabled') && one.checkVisibility({ visibilityProperty: true }),
    );
    // A ring may lie around a part of it, or around what it stands in.
    const looks = (one: Element) => {
      const around = [one.parentElement, one.parentElement?.parentElement, ...one.querySelectorAll('*')];
      return [one, ...around.slice(0, 12)]
        .flatMap((it) => (it ? [getComputedStyle(it)] : []))
        .map((it) => [it.outline, it.boxShadow, it.border, it.background, it.stroke, it.strokeWidth].join())
        .join('|');
    };
    const words = (one: Element) => {
      const name = one.getAttribute('aria-label') ?? one.id ?? '';
      return `${one.tagName.toLowerCase()} "${(name || (one.textContent ?? '')).trim().slice(0, 40)}"`;
    };
    const rested = new Map<Element, string>(reachable.map((one) => [one, looks(one)]));
    const visited = new Set<Element>();
    let last: Element | undefined;
    const walk = {
      step(): Step {
        const at = document.activeElement;
        if (!at || at === document.body) return { at: undefined, seen: true, again: false };
        // The parts of a date are places of their own in one field, and its calendar has the browser's own ring.
        const within = at === last;
        const again = !within && visited.has(at);
        last = at;
        visited.add(at);
        return { at: words(at), seen: within || rested.get(at) !== looks(at), again };
      },
      // Radio buttons of one name are one place to go to.
      missed: () =>
        reachable
          .filter(
            (one) => !visited.has(one) && one.isConnected && !(one instanceof HTMLInputElement && one.type === 'radio'),
          )
          .map(words),
    };
    (document.activeElement as HTMLElement | null)?.blur();
    Object.assign(window, { walk });
  });
  const faults: string[] = [];
  for (let tabs = 0; ; tabs++) {
    await page.keyboard.press('Tab');
    const { at, seen, again } = await page.evaluate(() =>
      (window as unknown as { walk: { step(): Step } }).walk.step(),
    );
    if (at === undefined || again) break;
    if (!seen) faults.push(`${at} does not show that it has the focus`);
    if (tabs > MOST_TABS) {
      faults.push(`Tab does not come to an end at ${at}`);
      break;
    }
  }
  const missed = await page.evaluate(() => (window as unknown as { walk: { missed(): string[] } }).walk.missed());
  return [...faults, ...missed.map((one) => `${one} is not reached by Tab`)];
}
