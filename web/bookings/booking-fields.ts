import type { Field, Option } from '../forms/fields';

/** The fields of a booking, as the form shows them. */
export function bookingFormFields(cars: readonly Option[], instructors: readonly Option[]): Field[] {
  return [
    { path: 'reference', label: 'Reference', kind: 'text', group: 'Guest' },
    { path: 'name', label: 'Name', kind: 'text' },
    { path: 'birthday', label: 'Birthday', kind: 'date', optional: true },
    { path: 'email', label: 'E-mail', kind: 'text', optional: true },
    { path: 'party', label: 'Party', kind: 'text', optional: true, hint: 'a word that friends share' },
    { path: 'languages', label: 'Languages', kind: 'words', hint: 'codes, such as en, de' },
    { path: 'arrives', label: 'Arrives', kind: 'time' },
    { path: 'leavesBy', label: 'Leaves by', kind: 'time', optional: true },
    { path: 'drives', label: 'Drives', kind: 'drives', options: cars, wide: true, group: 'Drives' },
    {
      path: 'sequence',
      label: 'Order of the drives',
      kind: 'choice',
      options: [
        { label: 'any', value: 'any' },
        { label: 'as listed', value: 'asListed' },
      ],
    },
    { path: 'preferInstructors', label: 'Prefers', kind: 'many', options: instructors },
    { path: 'avoidInstructors', label: 'Not with', kind: 'many', options: instructors },
    {
      path: 'heightCm',
      label: 'Height',
      unit: 'cm',
      kind: 'number',
      decimals: 1,
      optional: true,
      group: 'Size and experience',
    },
    { path: 'weightKg', label: 'Weight', unit: 'kg', kind: 'number', decimals: 1, optional: true },
    { path: 'helmet', label: 'Helmet size', kind: 'text', optional: true },
    {
      path: 'pace',
      label: 'Pace',
      kind: 'choice',
      options: [
        { label: 'first time', value: 'first' },
        { label: 'been before', value: 'before' },
        { label: 'quick', value: 'quick' },
      ],
    },
    {
      path: 'gearbox',
      label: 'Gearbox wanted',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'automatic', value: 'auto' },
        { label: 'paddles', value: 'paddle' },
      ],
    },
    { path: 'carAtHome', label: 'Car at home', kind: 'text', optional: true },
    {
      path: 'drivesOn',
      label: 'At home drives on the',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'left', value: 'left' },
        { label: 'right', value: 'right' },
      ],
    },
    { path: 'prompting', label: 'A hand on the wheel is all right', kind: 'yes' },
    { path: 'briefed', label: 'Briefed already, still valid', kind: 'yes' },
    { path: 'sighted', label: 'Knows the circuit already', kind: 'yes' },
    { path: 'price', label: 'Price', kind: 'number', decimals: 2, group: 'Payment and notes' },
    { path: 'paid', label: 'Paid', kind: 'number', decimals: 2 },
    { path: 'occasion', label: 'Occasion', kind: 'text', optional: true },
    { path: 'notes', label: 'Notes', kind: 'longText', optional: true, wide: true },
    { path: 'healthNote', label: 'Health note', kind: 'longText', optional: true, wide: true },
  ];
}
