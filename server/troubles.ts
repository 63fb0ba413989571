import type { DayTrouble } from '@core/api';
import { salvaged, dayFile, type Day } from '@core/day';
import type { Unfit } from '@core/journal';
import { wordsIn, type Names } from '@core/words';
import type { Store } from './store';
import type { RowFault } from './store/documents';
import type { SetAside } from './store/journal';
import { NEW_VENUE } from './new-venue';
import * as z from 'zod';

type Place = DayTrouble['place'];

/** What to do about a stored thing that cannot be read. */
const REMEDIES: Record<Place, string> = {
  rules: 'Look through the rules and save them.',
  cars: 'Look at the car and save it, or enter it anew under its id.',
  crew: 'Look at the instructor and save, or enter anew under the same id.',
  bookings: 'Look at the booking and save it, or enter the guest anew.',
  circuit: 'Look at the circuit and save it, or import it anew.',
  roster: 'Enter the shift or absence anew.',
  board: 'Plan the day again, or go back to an earlier plan.',
  journal: 'Enter what happened anew; the entry itself is kept as it is.',
};

const WHAT: Record<Place, string> = {
  rules: 'The page of rules',
  cars: 'A car',
  crew: 'An instructor',
  bookings: 'A booking',
  circuit: 'The circuit',
  roster: 'An entry of the roster',
  board: 'The plan',
  journal: 'An entry of the journal',
};

/** Of these a venue has one, which needs no name. */
const ONLY_ONE: ReadonlySet<Place> = new Set(['rules', 'circuit']);

/** What is wrong with what a day is made from, each with its place and what puts it right. */
export function storedTroubles(store: Store, date: string): DayTrouble[] {
  const of = (place: Place, faults: readonly RowFault[]) =>
    faults.map(({ id, name, path, message, setAside }) => {
      const which = ONLY_ONE.has(place) ? '' : `, ${name === undefined ? id : `${name} (${id})`},`;
      const became = setAside ? ' cannot be read and is left out' : ' has something wrong in it, which is left out';
      return trouble(place, `${WHAT[place]}${which}${became}`, path, message);
    });
  return [
    ...of('rules', store.venue.readAll().faults),
    ...of('cars', store.cars.readAll().faults),
    ...of('crew', store.instructors.readAll().faults),
    ...of('bookings', store.bookings.readAll(date).faults),
    ...of('roster', store.roster.readBetween(date, date).faults),
    ...of('circuit', store.circuit.readAll().faults),
    ...planTrouble(store, date),
  ];
}

function planTrouble(store: Store, date: string): DayTrouble[] {
  const [last, read] = [store.days.lastNumber(date), store.days.currentPlan(date)?.revision.revision ?? 0];
  if (last === read) return [];
  const instead = read === 0 ? 'the day is shown without a plan' : `plan ${read} is shown instead`;
  return [trouble('board', `Plan ${last} cannot be read: ${instead}`, `plans.${last}`, 'not in the form of a plan')];
}

export function entryTroubles(unreadable: readonly SetAside[], unfit: readonly Unfit[], names: Names): DayTrouble[] {
  const tell = wordsIn('en', names);
  return [
    ...unreadable.map(({ seq, path, message }) =>
      trouble(
        'journal',
        `${WHAT.journal} (number ${seq}) cannot be read and is set aside`,
        `journal[${seq}].${path}`,
        message,
      ),
    ),
    ...unfit.map((one): DayTrouble => ({
      ...trouble('journal', tell.unfit(one), `journal.${one.entry.id}`, 'does not fit to what is set up'),
      remedy: 'It changes nothing. Take it back, or set the opening hours so that it fits.',
      entry: one.entry.id,
    })),
  ];
}

/** The day as it can be planned and shown, whatever stood in the tables, and what had to be left out for it. */
export function soundDay(assembled: Day): { day: Day; troubles: DayTrouble[] } {
  const { opens, closes, timeZone, condition, circuit, rules, name: venue } = NEW_VENUE;
  const check = (day: unknown) => {
    const encoded = z.safeEncode(dayFile, day as Day);
    return encoded.success ? { success: true as const, data: day as Day } : encoded;
  };
  const fallback = { ...assembled, opens, closes, timeZone, condition, circuit, rules, venue };
  const read = salvaged<Day>(assembled, check, fallback);
  if (!read)
    return { day: { ...fallback, cars: [], instructors: [], sightingVehicles: [], guests: [] }, troubles: [lost] };
  return {
    day: read.value,
    troubles: read.faults.map(({ path, message }) =>
      trouble(placeOf(path), 'The day is shown without what is wrong in it', path, message),
    ),
  };
}

const lost: DayTrouble = {
  ...{ place: 'rules', what: 'Nothing of this day can be read', path: '(day)', message: 'not in the form of a day' },
  remedy: 'Restore a backup.',
};

function placeOf(path: string): Place {
  const [first = ''] = path.split(/[.[]/);
  const places: Record<string, Place> = { cars: 'cars', instructors: 'crew', guests: 'bookings' };
  return places[first] ?? 'rules';
}

function trouble(place: Place, what: string, path: string, message: string): DayTrouble {
  return { place, what, path, message, remedy: REMEDIES[place] };
}
