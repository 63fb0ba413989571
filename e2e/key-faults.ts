import type { Page } from '@playwright/test';

/** No screen has so many places to go to; a walk that is not over by then goes round in a part of it. */
const MOST_TABS = 600;

/** So many are pressed before the page is asked whether it is through. */
const AT_ONCE = 20;

/** What the page has noted of where the focus went. */
interface Walk {
  ended(): boolean;
  at(): string;
  faults(): string[];
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
    const faults: string[] = [];
    let last: Element | undefined;
    let ended = false;
    document.addEventListener('focusin', ({ target }) => {
      if (ended || !(target instanceof Element)) return;
      // The parts of a date are places of their own in one field, and its calendar has the browser's own ring.
      const within = target === last;
      ended = !within && visited.has(target);
      if (ended) return;
      if (!within && rested.get(target) === looks(target))
        faults.push(`${words(target)} does not show that it has the focus`);
      last = target;
      visited.add(target);
    });
    const walk: Walk = {
      // Once all has been gone through, the focus leaves the page, or comes back to where it has been.
      ended: () => ended || document.activeElement === document.body,
      at: () => (last ? words(last) : 'the beginning'),
      // Radio buttons of one name are one place to go to.
      faults: () => [
        ...faults,
        ...reachable
          .filter(
            (one) => !visited.has(one) && one.isConnected && !(one instanceof HTMLInputElement && one.type === 'radio'),
          )
          .map((one) => `${words(one)} is not reached by Tab`),
      ],
    };
    (document.activeElement as HTMLElement | null)?.blur();
    Object.assign(window, { walk });
  });
  const walk = <K extends keyof Walk>(ask: K) =>
    page.evaluate((what) => (window as unknown as { walk: Walk }).walk[what](), ask) as Promise<ReturnType<Walk[K]>>;
  for (let tabs = 0; tabs < MOST_TABS; tabs += AT_ONCE) {
    await Promise.all(Array.from({ length: AT_ONCE }, () => page.keyboard.press('Tab')));
    if (await walk('ended')) return walk('faults');
  }
  return [`Tab does not come to an end at ${await walk('at')}`];
}
