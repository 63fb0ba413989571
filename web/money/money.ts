import type { BookingFields } from '@core/api';
import { cents, money } from '@core/day';

/** What a booking costs and what was paid of it before; what was taken since stands in the journal. */
type Account = Pick<BookingFields, 'price' | 'paid'>;

/** What is still to be paid, never below 0; nothing is due without a booking. */
export function balanceDue(fields: Account | undefined, received: number): number {
  return fields ? Math.max(0, cents(fields.price - fields.paid - received)) : 0;
}

/** What a booking owes, in words: one without a price is not called paid. */
export function dueWords(fields: Account | undefined, received: number, currency: string): string {
  if (!fields || (fields.price === 0 && fields.paid === 0 && received === 0)) return 'no price';
  const due = balanceDue(fields, received);
  return due > 0 ? `${money(due, currency)} due` : 'paid';
}
