/** Rows of figures, printed as a table for the docs once all are there. */
export function figures() {
  const rows: string[] = [];
  return {
    row: (what: string, value: string): void => void rows.push(`| ${what} | ${value} |`),
    print: (): void => console.log(`\n${rows.join('\n')}\n`),
  };
}

/** The value that so large a share of the values does not exceed. */
export function percentile(values: readonly number[], share: number): number {
  return [...values].sort((a, b) => a - b)[Math.ceil(values.length * share) - 1]!;
}
