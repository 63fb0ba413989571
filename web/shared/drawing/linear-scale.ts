/** A line from values to pixels, and back. */
export interface LinearScale {
  (value: number): number;
  readonly invert: (px: number) => number;
  readonly domain: readonly [from: number, to: number];
}

/** @param domain values at the two ends of `range`, in pixels */
export function linearScale(domain: readonly [number, number], [left, right]: readonly [number, number]): LinearScale {
  const [from, to] = domain;
  const pxPerUnit = to === from ? 0 : (right - left) / (to - from);
  return Object.assign((value: number) => left + (value - from) * pxPerUnit, {
    invert: (px: number) => (pxPerUnit === 0 ? from : from + (px - left) / pxPerUnit),
    domain,
  });
}
