/** Colours of the theme in force, for charts that are drawn on a canvas. */
export function inkOf(): Record<
  'ink' | 'muted' | 'faint' | 'line' | 'lake' | 'panel' | 'kerb' | 'amberMark' | 'moss' | 'lilac',
  string
> {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string) => style.getPropertyValue(`--p-jl-${name}`).trim();
  return {
    ink: of('ink'),
    muted: of('muted'),
    faint: of('faint'),
    line: of('line'),
    lake: of('lake'),
    panel: of('panel'),
    kerb: of('kerb'),
    amberMark: of('amber-mark'),
    moss: of('moss'),
    lilac: of('lilac'),
  };
}

/** Black or white, whichever can be read on a colour (relative luminance by WCAG 2). @param hex `#3366cc` */
export function readableOn(hex: string): string {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue > 0.179 ? '#000000' : '#ffffff';
}
