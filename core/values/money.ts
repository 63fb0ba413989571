/** An amount in the venue's currency, without its fractions where there are none. */
export function money(amount: number, currency: string): string {
  const whole = Number.isInteger(amount) && { minimumFractionDigits: 0 };
  return new Intl.NumberFormat('en', { style: 'currency', currency, ...whole }).format(amount);
}

/** Digits behind the point in which a currency is paid: none in pesos of Chile, two in euros, three in dinars of Kuwait. */
export function currencyDecimals(currency: string): number {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;
}

/** An amount without the crumbs of adding and sharing fractions, in the smallest of all currencies' parts. */
export function cents(amount: number): number {
  return Math.round(amount * 1000) / 1000;
}
