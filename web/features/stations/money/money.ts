import type { BookingFields } from '@core/venue/booking';
import { cents, money } from '@core/values';
import type { GuestState } from '@core/journal';

/** What a booking costs and what was paid of it before; what was taken since stands in the journal. */
type Account = Pick<BookingFields, 'price' | 'paid'>;

/** What came in on the day, and what was sold on it beside the booking. */
type Today = Partial<Pick<GuestState, 'received' | 'sold'>>;

/** What is still to be paid, never below 0; nothing is due without a booking. */
export function balanceDue(fields: Account | undefined, { received = 0, sold = 0 }: Today = {}): number {
  return fields ? Math.max(0, cents(fields.price + sold - fields.paid - received)) : 0;
}

/** What a booking owes, in words: one without a price is not called paid. */
export function dueWords(fields: Account | undefined, today: Today | undefined, currency: string): string {
  if (!fields || ![fields.price, fields.paid, today?.received, today?.sold].some(Boolean)) return 'no price';
  const due = balanceDue(fields, today);
  return due > 0 ? `${money(due, currency)} due` : 'paid';
}
