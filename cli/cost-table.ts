import type { Cost } from '@core/cost';

/** The cost as lines: a term each, then the total. */
export function costLines(cost: Cost): string[] {
  const rows = [...Object.entries(cost.terms), ['total', cost.total] as const];
  return rows.map(([name, value]) => `${name.padEnd(12)} ${value.toFixed(2).padStart(12)}`);
}
