import type { instructorFields } from '@core/crew';
import type * as z from 'zod';
import { formOf, type Field, type Option } from '../forms/fields';

/** The fields of an instructor, as the form shows them. */
export function crewFormFields(cars: readonly Option[], teachesAll: boolean): Field[] {
  return formOf<z.input<typeof instructorFields>>({
    id: { label: 'Id', kind: 'text', group: 'Instructor', hint: 'stays the same for good' },
    name: { label: 'Name', kind: 'text' },
    languages: { label: 'Languages', kind: 'words', hint: 'codes, such as en, de' },
    available: { label: 'Usual hours', kind: 'windows', wide: true },
    byRoster: { label: 'Only on days with a shift', kind: 'yes' },
    brief: { label: 'Gives briefings', kind: 'yes' },
    sighting: { label: 'Drives sighting runs', kind: 'yes' },
    cars: teachesAll ? 'notHere' : { label: 'Teaches in', kind: 'many', options: cars, wide: true },
    maxSeatS: { label: 'Work without a break', unit: 's', kind: 'number', group: 'Limits' },
    restS: { label: 'Break', unit: 's', kind: 'number' },
    maxLaps: { label: 'Laps a day', kind: 'number' },
    'meal.from': { label: 'Meal from', kind: 'time' },
    'meal.to': { label: 'Meal to', kind: 'time' },
    'meal.durationS': { label: 'Meal takes', unit: 's', kind: 'number' },
    'levelLaps.1': 'notHere',
    'levelLaps.2': 'notHere',
    'levelLaps.3': 'notHere',
    // Entered in the table of skills.
    'holdsUntil.sighting': 'notHere',
    'holdsUntil.brief': 'notHere',
    'levelLaps.4': { label: 'Laps a day in level 4', kind: 'number', optional: true },
    'levelLaps.5': { label: 'Laps a day in level 5', kind: 'number', optional: true },
  });
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
