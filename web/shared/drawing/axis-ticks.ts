/** Times for the marks of a time axis: the widest step that leaves at least `leastPx` pixels between two labels. */
export function axisTicks(fromS: number, toS: number, widthPx: number, leastPx: number): number[] {
  const steps = [300, 600, 900, 1800, 3600, 7200];
  const stepS = steps.find((step) => (step / (toS - fromS)) * widthPx >= leastPx) ?? 7200;
  const ticks: number[] = [];
  for (let tick = Math.ceil(fromS / stepS) * stepS; tick <= toS; tick += stepS) ticks.push(tick);
  return ticks;
}
