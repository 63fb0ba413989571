import type { bookingFields } from '@core/booking';
import type * as z from 'zod';
import { formOf, type Field, type Option } from '../forms/fields';

/** The fields of a booking, as the form shows them: one that is missing does not compile. */
export function bookingFormFields(
  cars: readonly Option[],
  instructors: readonly Option[],
  friends: readonly Option[],
): Field[] {
  return formOf<z.input<typeof bookingFields>>({
    reference: { label: 'Reference', kind: 'text', group: 'Guest' },
    name: { label: 'Name', kind: 'text' },
    birthday: { label: 'Birthday', kind: 'date', optional: true },
    email: { label: 'E-mail', kind: 'text', optional: true },
    party: { label: 'Party', kind: 'text', optional: true, hint: 'a word that friends share' },
    languages: { label: 'Languages', kind: 'words', hint: 'codes, such as en, de' },
    arrives: { label: 'Arrives', kind: 'time' },
    leavesBy: { label: 'Leaves by', kind: 'time', optional: true },
    drives: { label: 'Drives', kind: 'drives', options: cars, wide: true, group: 'Drives' },
    sequence: {
      label: 'Order of the drives',
      kind: 'choice',
      options: [
        { label: 'any', value: 'any' },
        { label: 'as listed', value: 'asListed' },
      ],
    },
    preferInstructors: { label: 'Prefers', kind: 'many', options: instructors },
    avoidInstructors: { label: 'Not with', kind: 'many', options: instructors },
    sameTimeAs: {
      label: 'On the circuit with',
      kind: 'many',
      options: friends,
      optional: true,
      group: 'Together with friends',
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
    },
    weightKg: { label: 'Weight', unit: 'kg', kind: 'number', decimals: 1, optional: true },
    helmet: { label: 'Helmet size', kind: 'text', optional: true },
    pace: {
      label: 'Pace',
      kind: 'choice',
      options: [
        { label: 'first time', value: 'first' },
        { label: 'been before', value: 'before' },
        { label: 'quick', value: 'quick' },
      ],
    },
    gearbox: {
      label: 'Gearbox wanted',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'automatic', value: 'auto' },
        { label: 'paddles', value: 'paddle' },
      ],
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
    price: { label: 'Price', kind: 'number', decimals: 2, group: 'Payment and notes' },
    paid: { label: 'Paid', kind: 'number', decimals: 2 },
    occasion: { label: 'Occasion', kind: 'text', optional: true },
    notes: { label: 'Notes', kind: 'longText', optional: true, wide: true },
    // Cancelled and taken back on the list.
    cancelled: 'notHere',
    healthNote: { label: 'Health note', kind: 'longText', optional: true, wide: true },
  });
}
