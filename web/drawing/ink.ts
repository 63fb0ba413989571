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
