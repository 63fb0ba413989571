import type { BookingFields } from '@core/api';

/** An amount in the venue's currency, without cents where there are none. */
export function money(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    minimumFractionDigits: Number.isInteger(amount) ? 0 : 2,
  }).format(amount);
}

/** What is still to be paid, never below 0; nothing is due without a booking. */
export function balanceDue(fields: BookingFields | undefined): number {
  return fields ? Math.max(0, fields.price - fields.paid) : 0;
}
