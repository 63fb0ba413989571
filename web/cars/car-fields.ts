import type { Field } from '../forms/fields';

/** The fields of a car, as the form shows them. */
export const CAR_FIELDS: readonly Field[] = [
  { path: 'id', label: 'Id', kind: 'text', group: 'Car', hint: 'stays the same for good' },
  { path: 'number', label: 'Number on the door', kind: 'number' },
  { path: 'name', label: 'Name', kind: 'text' },
  {
    path: 'level',
    label: 'Level',
    kind: 'choice',
    options: [
      { label: '1 tame', value: 1 },
      { label: '2', value: 2 },
      { label: '3', value: 3 },
      { label: '4', value: 4 },
      { label: '5 fierce', value: 5 },
    ],
  },
  { path: 'lapTimeS', label: 'Lap of a quick guest', unit: 's', kind: 'number', decimals: 1 },
  { path: 'lapPrice', label: 'Price of a lap', kind: 'number', decimals: 2, optional: true },
  { path: 'stall', label: 'Stall', kind: 'number', optional: true },
  { path: 'transponder', label: 'Transponder', kind: 'text', optional: true, hint: 'its id where empty' },
  {
    path: 'gearboxes',
    label: 'Gearboxes',
    kind: 'many',
    options: [
      { label: 'automatic', value: 'auto' },
      { label: 'paddles', value: 'paddle' },
    ],
  },
  { path: 'available', label: 'Available', kind: 'windows', wide: true },
  { path: 'fuel.capacityL', label: 'Tank', unit: 'l', kind: 'number', decimals: 1, group: 'Fuel' },
  { path: 'fuel.startL', label: 'At opening', unit: 'l', kind: 'number', decimals: 1 },
  { path: 'fuel.reserveL', label: 'Reserve', unit: 'l', kind: 'number', decimals: 1 },
  { path: 'fuel.perLapL', label: 'A lap takes', unit: 'l', kind: 'number', decimals: 3 },
  { path: 'fuel.refuelS', label: 'Refuelling takes', unit: 's', kind: 'number' },
  { path: 'cooling.afterLaps', label: 'Cooling after', unit: 'laps', kind: 'number', group: 'Cooling and fit' },
  { path: 'cooling.restS', label: 'Cooling takes', unit: 's', kind: 'number' },
  { path: 'fit.minHeightCm', label: 'Guest at least', unit: 'cm', kind: 'number', optional: true },
  { path: 'fit.maxHeightCm', label: 'Guest at most', unit: 'cm', kind: 'number', optional: true },
  { path: 'fit.maxWeightKg', label: 'Guest at most', unit: 'kg', kind: 'number', optional: true },
];

export const NEW_CAR = {
  id: '',
  number: null,
  name: '',
  level: 3,
  lapTimeS: 80,
  gearboxes: ['auto', 'paddle'],
  available: [{ from: '08:30', to: '18:00' }],
  fuel: { capacityL: 60, startL: 60, reserveL: 10, perLapL: 1.5, refuelS: 480 },
  cooling: { afterLaps: 24, restS: 900 },
};
