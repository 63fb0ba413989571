import { fact, type Fact, cents } from '../../values';
import type { BookingFields } from './booking-fields';

/** What becomes a booking of its own. */
export interface SplitOff {
  readonly drives: readonly string[];
  readonly reference: string;
  readonly name: string;
  /** Of what the whole costs, and of what was paid before. */
  readonly price: number;
  readonly paid: number;
}

export type SplitFault = Fact<'nothingSplit' | 'splitCostsMore'>;

/**
 * A booking in two: some of its drives for somebody else, who is as the first one until somebody corrects that, but for
 * what only they can have said. Drives keep their ids, and nothing that was sold or paid is lost.
 */
export function splitBooking(
  fields: BookingFields,
  { drives, reference, name, price, paid }: SplitOff,
): { readonly left: BookingFields; readonly off: BookingFields } | SplitFault {
  const moved = fields.drives.filter(({ id }) => drives.includes(id));
  const staying = fields.drives.filter(({ id }) => !drives.includes(id));
  if (moved.length === 0 || staying.length === 0) return fact('nothingSplit', {});
  if (price > fields.price || paid > fields.paid) return fact('splitCostsMore', {});
  const {
    birthday: _b,
    email: _e,
    phone: _p,
    heightCm: _h,
    weightKg: _w,
    helmet: _m,
    healthNote: _n,
    ...shared
  } = fields;
  const party = fields.party ?? fields.reference;
  return {
    left: { ...fields, party, drives: staying, price: cents(fields.price - price), paid: cents(fields.paid - paid) },
    off: { ...shared, party, reference, name, drives: moved, price, paid },
  };
}

/** Two bookings in one, by the first one's name: the drives of both, and what both cost and have paid. */
export function joinedBooking(fields: BookingFields, other: BookingFields): BookingFields {
  const notes = [fields.notes, other.notes].filter((note) => note !== undefined).join('\n');
  const both = (key: 'preferInstructors' | 'avoidInstructors') => [...new Set([...fields[key], ...other[key]])];
  return {
    ...fields,
    drives: [...fields.drives, ...other.drives],
    price: cents(fields.price + other.price),
    paid: cents(fields.paid + other.paid),
    preferInstructors: both('preferInstructors'),
    avoidInstructors: both('avoidInstructors'),
    ...(notes && { notes: notes.slice(0, 1000) }),
  };
}
