import type { BookingFields } from '@core/api';
import { money } from '@core/day';

/** What a booking owes, in words: one without a price is not called paid. */
export function dueWords(fields: Pick<BookingFields, 'price' | 'paid'> | undefined, currency: string): string {
  if (!fields || (fields.price === 0 && fields.paid === 0)) return 'no price';
  const due = Math.max(0, fields.price - fields.paid);
  return due > 0 ? `${money(due, currency)} due` : 'paid';
}

/** What is still to be paid, never below 0; nothing is due without a booking. */
export function balanceDue(fields: BookingFields | undefined): number {
  return fields ? Math.max(0, fields.price - fields.paid) : 0;
}
