import type { instructorFields } from '@core/people/crew/at-start';
import type * as z from 'zod';
import { languageName, SPOKEN_LANGUAGES } from '@words/languages';
import { formOf, type Field, type Option } from '../../../shared/forms/fields';

/** Languages by name, those that are spoken already among them. */
export function languageOptions(spoken: readonly string[] = []): Option[] {
  const codes = [...new Set([...SPOKEN_LANGUAGES, ...spoken])];
  return codes.map((value) => ({ value, label: languageName(value) })).sort((a, b) => a.label.localeCompare(b.label));
}

/** The fields of an instructor, as the form shows them. */
export function crewFormFields(cars: readonly Option[], teachesAll: boolean, spoken: readonly string[] = []): Field[] {
  return formOf<z.input<typeof instructorFields>>({
    // Made by the program.
    id: 'notHere',
    name: { label: 'Name', kind: 'text', group: 'Instructor' },
    languages: { label: 'Languages', kind: 'many', options: languageOptions(spoken) },
    available: { label: 'Usual hours', kind: 'windows', wide: true },
    byRoster: { label: 'Only on days with a shift', kind: 'yes' },
    brief: { label: 'Gives the class', kind: 'yes' },
    sighting: { label: 'Drives sighting runs', kind: 'yes' },
    leadCar: { label: 'Leads other cars round', kind: 'yes' },
    spotter: { label: 'Spots, by radio', kind: 'yes' },
    rides: { label: 'Drives guests at full pace', kind: 'yes' },
    marshal: { label: 'Marshal of a group', kind: 'yes' },
    blocker: { label: 'Keeps the way across the apron', kind: 'yes' },
    push: { label: 'Pushes cars off', kind: 'yes' },
    cars: teachesAll ? 'notHere' : { label: 'Teaches in', kind: 'many', options: cars, wide: true },
    maxSeatS: {
      label: 'Work without a break',
      kind: 'duration',
      group: 'Limits',
      folded: 'so that nobody works too long, and everybody eats',
    },
    restS: { label: 'Break', kind: 'duration' },
    maxLaps: { label: 'Laps a day', kind: 'number' },
    'meal.from': { label: 'Meal from', kind: 'time' },
    'meal.to': { label: 'Meal to', kind: 'time' },
    'meal.durationS': { label: 'Meal takes', kind: 'duration' },
    'levelLaps.1': 'notHere',
    'levelLaps.2': 'notHere',
    'levelLaps.3': 'notHere',
    // Entered in the table of skills.
    'holdsUntil.sighting': 'notHere',
    'holdsUntil.brief': 'notHere',
    'holdsUntil.leadCar': 'notHere',
    'holdsUntil.spotter': 'notHere',
    'holdsUntil.rides': 'notHere',
    'holdsUntil.marshal': 'notHere',
    'holdsUntil.blocker': 'notHere',
    'holdsUntil.push': 'notHere',
    'levelLaps.4': { label: 'Laps a day in level 4', kind: 'number', optional: true },
    'levelLaps.5': { label: 'Laps a day in level 5', kind: 'number', optional: true },
  });
}
