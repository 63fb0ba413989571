import type { bookingFields } from '@core/venue/booking';
import { PACE_WORDS } from '@words';
import type * as z from 'zod';
import { languageOptions } from '../crew/crew-fields';
import { formOf, MONEY, type Field, type Option } from '../../../shared/forms/fields';

/**
 * The fields of a booking, what is needed first in front: one that is missing does not compile. In a new one the rest is
 * folded under what it is for.
 */
export function bookingFormFields(
  cars: readonly Option[],
  instructors: readonly Option[],
  friends: readonly Option[],
  isNew = false,
): Field[] {
  const folded = (words: string) => (isNew ? { folded: words } : {});
  return formOf<z.input<typeof bookingFields>>({
    name: { label: 'Name', kind: 'text', group: 'Who drives what, and when' },
    arrives: { label: 'Arrives', kind: 'time' },
    drives: { label: 'Drives', kind: 'drives', options: cars, wide: true },
    price: {
      label: 'Price',
      kind: 'number',
      unit: MONEY,
      ...(isNew && { hint: 'adds itself up from the price list' }),
    },
    paid: { label: 'Paid before', kind: 'number', unit: MONEY },
    reference: { label: 'Reference', kind: 'text', group: 'Guest', ...folded('so that gate and desk know them') },
    languages: { label: 'Languages', kind: 'many', options: languageOptions() },
    party: { label: 'Party', kind: 'text', optional: true, hint: 'a word that friends share' },
    leavesBy: { label: 'Leaves by', kind: 'time', optional: true },
    birthday: { label: 'Birthday', kind: 'date', optional: true },
    email: { label: 'E-mail', kind: 'text', optional: true },
    phone: { label: 'Telephone', kind: 'text', optional: true },
    occasion: { label: 'Occasion', kind: 'text', optional: true },
    sequence: {
      label: 'Order of the drives',
      kind: 'choice',
      group: 'Wishes',
      ...folded('order, instructors, gearbox'),
      options: [
        { label: 'any', value: 'any' },
        { label: 'as listed', value: 'asListed' },
      ],
    },
    preferInstructors: { label: 'Prefers', kind: 'many', options: instructors },
    avoidInstructors: { label: 'Not with', kind: 'many', options: instructors },
    gearbox: {
      label: 'Gearbox wanted',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'automatic', value: 'auto' },
        { label: 'paddles', value: 'paddle' },
      ],
    },
    sameTimeAs: {
      label: 'On the circuit with',
      kind: 'many',
      options: friends,
      optional: true,
      group: 'Together with friends',
      ...folded('who are booked on this day as well'),
    },
    inTurnWith: { label: 'One after the other with', kind: 'many', options: friends, optional: true },
    sameInstructorAs: { label: 'Same instructor as', kind: 'many', options: friends, optional: true },
    heightCm: {
      label: 'Height',
      unit: 'cm',
      kind: 'number',
      decimals: 1,
      optional: true,
      group: 'Size and experience',
      ...folded('so that car, helmet and lap times fit'),
    },
    weightKg: { label: 'Weight', unit: 'kg', kind: 'number', decimals: 1, optional: true },
    helmet: { label: 'Helmet size', kind: 'text', optional: true },
    pace: {
      label: 'Pace',
      kind: 'choice',
      options: Object.entries(PACE_WORDS).map(([value, label]) => ({ value, label })),
    },
    carAtHome: { label: 'Car at home', kind: 'text', optional: true },
    drivesOn: {
      label: 'At home drives on the',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'left', value: 'left' },
        { label: 'right', value: 'right' },
      ],
    },
    touch: {
      label: 'Touch as a prompt',
      kind: 'choice',
      optional: true,
      hint: 'asked at the gate where empty',
      options: [
        { label: 'yes, all right', value: true },
        { label: 'no', value: false },
      ],
    },
    briefed: { label: 'Briefed already, still valid', kind: 'yes' },
    sighted: { label: 'Knows the circuit already', kind: 'yes' },
    notes: {
      label: 'Notes',
      kind: 'longText',
      optional: true,
      wide: true,
      group: 'Notes',
      ...folded('for the staff alone'),
    },
    // Cancelled and taken back on the list.
    cancelled: 'notHere',
    healthNote: { label: 'Health note', kind: 'longText', optional: true, wide: true },
  });
}
