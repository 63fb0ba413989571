import type { Page } from '@playwright/test';

/** Neighbours in a line of text between which there is no space: "Small cartame". Each as the two words that touch. */
export function gluedWords(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const isWord = (text: string | undefined) => text !== undefined && /[\p{L}\p{N}]/u.test(text);
    for (const element of document.querySelectorAll('body *')) {
      const next = element.nextSibling;
      if (!(next instanceof HTMLElement) || !(element instanceof HTMLElement)) continue;
      const isInline = (one: Element) => getComputedStyle(one).display === 'inline';
      if (!isInline(element) || !isInline(next) || !isWord(element.innerText?.at(-1)) || !isWord(next.innerText?.[0]))
        continue;
      // Buttons have room of their own around their words.
      if ([element, next].some((one) => one.querySelector('button') !== null)) continue;
      if (/flex|grid/.test(getComputedStyle(element.parentElement!).display)) continue;
      const [a, b] = [[...element.getClientRects()].at(-1), next.getClientRects()[0]];
      const sameLine = a && b && Math.abs(a.bottom - b.bottom) < a.height && b.left >= a.right - 1;
      if (sameLine && b.left - a.right < 2)
        found.push(`${element.innerText.slice(-15)}|${next.innerText.slice(0, 15)}`);
    }
    return [...new Set(found)];
  });
}
