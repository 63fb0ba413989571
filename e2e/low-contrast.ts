import type { Page } from '@playwright/test';

/** WCAG 2.2, 1.4.3: text is told from its ground by so much, and large text (24 px, or bold from 18.66 px) by so much. */
const TEXT = 4.5;
const LARGE = 3;

/** Text that stands out too little from its ground, by the colours as they are drawn: "ratio text" each. */
export function lowContrast(page: Page): Promise<string[]> {
  return page.evaluate(
    ([text, large]) => {
      const canvas = new OffscreenCanvas(1, 1).getContext('2d', { willReadFrequently: true })!;
      const known = new Map<string, readonly number[]>();
      const rgba = (colour: string) => {
        let parts = known.get(colour);
        if (!parts) {
          canvas.clearRect(0, 0, 1, 1);
          canvas.fillStyle = colour;
          canvas.fillRect(0, 0, 1, 1);
          known.set(colour, (parts = [...canvas.getImageData(0, 0, 1, 1).data]));
        }
        return parts;
      };
      const over = (upper: readonly number[], lower: readonly number[]) =>
        lower.slice(0, 3).map((value, part) => value + ((upper[part]! - value) * upper[3]!) / 255);
      const luminance = (colour: readonly number[]) =>
        [0.2126, 0.7152, 0.0722].reduce((sum, weight, part) => {
          const value = colour[part]! / 255;
          return sum + weight * (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
        }, 0);
      /** What lies under an element; nothing where a picture does. */
      const groundOf = (element: Element | null): readonly number[] | undefined => {
        if (!element) return [255, 255, 255];
        const style = getComputedStyle(element);
        if (style.backgroundImage !== 'none') return undefined;
        const own = rgba(style.backgroundColor);
        if (own[3] === 255) return own;
        const below = groundOf(element.parentElement);
        return below && over(own, below);
      };
      const found = new Set<string>();
      const words = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = words.nextNode(); node; node = words.nextNode()) {
        const said = node.textContent!.trim();
        const element = node.parentElement!;
        if (!said || element.closest('svg, [disabled], [aria-disabled=true], .p-disabled')) continue;
        if (!element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue;
        const style = getComputedStyle(element);
        const ground = groundOf(element);
        if (!ground) continue;
        const [dark, bright] = [luminance(over(rgba(style.color), ground)), luminance(ground)].sort((a, b) => a - b);
        const size = parseFloat(style.fontSize);
        const isLarge = size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700);
        const ratio = (bright! + 0.05) / (dark! + 0.05);
        if (ratio < (isLarge ? large! : text!)) found.add(`${ratio.toFixed(2)} "${said.slice(0, 40)}"`);
      }
      return [...found];
    },
    [TEXT, LARGE],
  );
}
