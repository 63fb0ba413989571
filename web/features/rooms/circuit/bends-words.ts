import { cornersOf, type CentreLine } from '@core/track/circuit';

/** How many bends a line has: `1 bend`, `9 bends`. */
export function bendsWords(centre: CentreLine): string {
  const bends = cornersOf(centre).length;
  return `${bends} ${bends === 1 ? 'bend' : 'bends'}`;
}
