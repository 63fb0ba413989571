import type { Field, Option } from '../forms/fields';

/** The fields of an instructor, as the form shows them. */
export function crewFormFields(cars: readonly Option[], teachesAll: boolean): Field[] {
  return [
    { path: 'id', label: 'Id', kind: 'text', group: 'Instructor', hint: 'stays the same for good' },
    { path: 'name', label: 'Name', kind: 'text' },
    { path: 'languages', label: 'Languages', kind: 'words', hint: 'codes, such as en, de' },
    { path: 'available', label: 'Usual hours', kind: 'windows', wide: true },
    { path: 'byRoster', label: 'Only on days with a shift', kind: 'yes' },
    { path: 'brief', label: 'Gives briefings', kind: 'yes' },
    { path: 'sighting', label: 'Drives sighting runs', kind: 'yes' },
    ...(teachesAll ? [] : [{ path: 'cars', label: 'Teaches in', kind: 'many', options: cars, wide: true } as const]),
    { path: 'maxSeatS', label: 'Work without a break', unit: 's', kind: 'number', group: 'Limits' },
    { path: 'restS', label: 'Break', unit: 's', kind: 'number' },
    { path: 'maxLaps', label: 'Laps a day', kind: 'number' },
    { path: 'meal.from', label: 'Meal from', kind: 'time' },
    { path: 'meal.to', label: 'Meal to', kind: 'time' },
    { path: 'meal.durationS', label: 'Meal takes', unit: 's', kind: 'number' },
    { path: 'levelLaps.4', label: 'Laps a day in level 4', kind: 'number', optional: true },
    { path: 'levelLaps.5', label: 'Laps a day in level 5', kind: 'number', optional: true },
  ];
}

export const NEW_INSTRUCTOR = {
  id: '',
  name: '',
  cars: 'all',
  languages: ['en'],
  available: [{ from: '08:30', to: '17:30' }],
  maxSeatS: 5400,
  restS: 900,
  meal: { from: '11:30', to: '14:00', durationS: 1800 },
  maxLaps: 130,
  brief: false,
  sighting: true,
};
