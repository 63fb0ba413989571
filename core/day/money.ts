/** An amount in the venue's currency, without cents where there are none. */
export function money(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    minimumFractionDigits: Number.isInteger(amount) ? 0 : 2,
  }).format(amount);
}

/** An amount without the crumbs of adding and sharing fractions. */
export function cents(amount: number): number {
  return Math.round(amount * 100) / 100;
}
