import {
  CAR_KINDS,
  carFields,
  starterCar,
  starterColour,
  stillAssumed,
  type CarFields,
  type CarKind,
  type VenueOfCars,
} from '@core/venue/fleet';
import { withValues } from '@core/values';
import { CAR_KIND_WORDS } from '@words/en/first-steps';
import * as z from 'zod';
import type { RecordColumn, RecordList } from './record-list';

const kindOf = (word: string): string | undefined =>
  CAR_KINDS.find((kind) => [kind.toLowerCase(), CAR_KIND_WORDS[kind].name.toLowerCase()].includes(word.toLowerCase()));
const GEARBOXES: Readonly<Record<string, string>> = {
  auto: 'auto',
  automatic: 'auto',
  paddle: 'paddle',
  paddles: 'paddle',
};

/** The columns of a list of cars, as it goes out and comes in. */
export const CAR_COLUMNS: readonly RecordColumn[] = [
  { header: 'number', also: 'no, no., nummer, numéro, numero', required: true, path: 'number', kind: 'number' },
  { header: 'name', also: 'car, model, vehicle, fahrzeug, voiture, coche', required: true, path: 'name', kind: 'text' },
  {
    ...{ header: 'kind', also: 'type, art, typ', path: 'kind', kind: 'text' as const, optional: true },
    means: kindOf,
    says: (kind) => CAR_KIND_WORDS[kind as CarKind].name,
  },
  { header: 'colour', also: 'color, farbe, couleur', path: 'colour', kind: 'text', optional: true },
  { header: 'level', also: 'stufe, niveau', path: 'level', kind: 'number' },
  { header: 'lap time s', also: 'lap time, rundenzeit', path: 'lapTimeS', kind: 'number' },
  { header: 'price a lap', also: 'price, preis, prix, precio', path: 'lapPrice', kind: 'number', optional: true },
  {
    ...{ header: 'gearboxes', also: 'gearbox, getriebe', path: 'gearboxes', kind: 'words' as const },
    means: (word) => GEARBOXES[word.toLowerCase()],
    says: (box) => (box === 'auto' ? 'automatic' : 'paddles'),
  },
  { header: 'available', also: 'hours, zeiten', path: 'available', kind: 'windows' },
  { header: 'tank l', also: 'tank', path: 'fuel.capacityL', kind: 'number' },
  { header: 'fuel a lap l', also: 'fuel a lap, verbrauch', path: 'fuel.perLapL', kind: 'number' },
  { header: 'stall', also: 'stellplatz, box', path: 'stall', kind: 'number', optional: true },
  { header: 'transponder', path: 'transponder', kind: 'text', optional: true },
  { header: 'min height cm', path: 'fit.minHeightCm', kind: 'number', optional: true },
  { header: 'max height cm', path: 'fit.maxHeightCm', kind: 'number', optional: true },
  { header: 'max weight kg', path: 'fit.maxWeightKg', kind: 'number', optional: true },
  { header: 'price a ride lap', path: 'ridePrice', kind: 'number', optional: true },
  { header: 'ride lap time s', path: 'ride.lapTimeS', kind: 'number', optional: true },
  { header: 'ride seats', path: 'ride.seats', kind: 'number', optional: true },
  { header: 'left on', path: 'leftOn', kind: 'text', optional: true },
];

/**
 * A list of cars: a row finds its car by its number. A new one is a whole car of its kind, and what the list does not say
 * of it is assumed.
 *
 * @param at the venue's lap, and the hours at which a new car is there
 */
export function carList(fleet: readonly Pick<CarFields, 'id'>[], at: VenueOfCars): RecordList<typeof carFields> {
  const taken = new Set(fleet.map(({ id }) => id));
  return {
    columns: CAR_COLUMNS,
    schema: carFields,
    key: 'number',
    fresh: ({ number, name, kind }) => {
      const place = { ...at, number: Number(number), name: String(name), taken, colour: starterColour(Number(number)) };
      const car = starterCar(kind && CAR_KINDS.includes(kind as CarKind) ? (kind as CarKind) : 'grandTourer', place);
      taken.add(car.id);
      return z.encode(carFields, car);
    },
    changed: (before, after) => withValues(after, [{ path: 'assumed', value: stillAssumed(before, after) }]),
  };
}
