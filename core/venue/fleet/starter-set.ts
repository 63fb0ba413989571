import { valueAt, type Json } from '../../values';
import type { CarFile } from '../../track/car';
import { CAR_KINDS, type CarKind } from './car-kinds';
import type { CarFields } from './car-fields';

/**
 * Cars to begin with, by their kind, all invented: whole cars with lap model, tank, cooling, price and talk, to be renamed
 * and corrected one by one. Every number of them is assumed until somebody knows better, see `assumed`.
 */
interface Sketch {
  readonly level: CarFields['level'];
  /** Of a lap of a quick guest, metres per second in the mean: 2 km with a dozen corners. */
  readonly meanMps: number;
  readonly lapPrice: number;
  readonly perKmL: number;
  readonly tankL: number;
  readonly gearboxes: CarFields['gearboxes'];
  readonly coolsAfterLaps: number;
  readonly model: Omit<CarFile, 'format' | 'version' | 'name'>;
  readonly talk: CarFields['talk'];
}

const SKETCHES: Readonly<Record<CarKind, Sketch>> = {
  small: {
    level: 1,
    meanMps: 23.5,
    lapPrice: 14,
    perKmL: 0.4,
    tankL: 50,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 28,
    model: {
      massKg: 1200,
      drivenWheels: 'front',
      engine: 'front',
      peakPowerKW: 150,
      peakPowerRpm: 6000,
      maxRpm: 6700,
      gears: [3.4, 2.1, 1.5, 1.15, 0.93, 0.78],
      finalDrive: 3.9,
      tyreRadiusM: 0.31,
      widthM: 1.78,
    },
    talk: { brakes: 'as on the road', steering: 'light', automatic: 'suits the circuit well' },
  },
  roadster: {
    level: 2,
    meanMps: 24.5,
    lapPrice: 18,
    perKmL: 0.45,
    tankL: 50,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 28,
    model: {
      massKg: 1150,
      drivenWheels: 'rear',
      engine: 'front',
      peakPowerKW: 180,
      peakPowerRpm: 6500,
      maxRpm: 7200,
      gears: [3.6, 2.2, 1.6, 1.25, 1, 0.82],
      finalDrive: 3.9,
      tyreRadiusM: 0.31,
      widthM: 1.75,
    },
    talk: { brakes: 'short and clear', steering: 'quick', automatic: 'late down', traps: ['low door sill'] },
  },
  grandTourer: {
    level: 3,
    meanMps: 25.5,
    lapPrice: 24,
    perKmL: 0.75,
    tankL: 75,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 28,
    model: {
      massKg: 1580,
      drivenWheels: 'rear',
      engine: 'front',
      peakPowerKW: 330,
      peakPowerRpm: 6500,
      maxRpm: 7100,
      gears: [4.2, 2.5, 1.67, 1.24, 1, 0.79],
      finalDrive: 3.3,
      tyreRadiusM: 0.345,
      gripLateral: 1.12,
      gripLongitudinal: 1.15,
    },
    talk: { brakes: 'strong, the car is heavy', steering: 'calm', automatic: 'suits the circuit well' },
  },
  midEngined: {
    level: 4,
    meanMps: 27,
    lapPrice: 32,
    perKmL: 0.85,
    tankL: 75,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 21,
    model: {
      massKg: 1430,
      drivenWheels: 'rear',
      engine: 'mid',
      peakPowerKW: 430,
      peakPowerRpm: 8000,
      maxRpm: 8500,
      gears: [3.1, 2.18, 1.63, 1.29, 1.03, 0.84, 0.69],
      finalDrive: 4.4,
      tyreRadiusM: 0.35,
      gripLateral: 1.2,
      gripLongitudinal: 1.23,
      downforceAreaM2: 0.6,
    },
    talk: { brakes: 'bite at once', steering: 'very quick', automatic: 'good', traps: ['the nose is low'] },
  },
  fourDriven: {
    level: 4,
    meanMps: 26.5,
    lapPrice: 30,
    perKmL: 0.85,
    tankL: 75,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 21,
    model: {
      massKg: 1620,
      drivenWheels: 'all',
      engine: 'front',
      peakPowerKW: 400,
      peakPowerRpm: 6600,
      maxRpm: 7200,
      gears: [3.8, 2.3, 1.6, 1.22, 0.98, 0.8],
      finalDrive: 3.5,
      tyreRadiusM: 0.345,
      gripLateral: 1.15,
      gripLongitudinal: 1.2,
    },
    talk: { brakes: 'strong', steering: 'calm, pushes when too quick', automatic: 'good' },
  },
  fierce: {
    level: 5,
    meanMps: 28,
    lapPrice: 42,
    perKmL: 1.05,
    tankL: 80,
    gearboxes: ['auto', 'paddle'],
    coolsAfterLaps: 21,
    model: {
      massKg: 1480,
      drivenWheels: 'rear',
      engine: 'mid',
      peakPowerKW: 540,
      peakPowerRpm: 8200,
      maxRpm: 8700,
      gears: [3, 2.1, 1.6, 1.28, 1.03, 0.85, 0.7],
      finalDrive: 4.3,
      tyreRadiusM: 0.355,
      gripLateral: 1.28,
      gripLongitudinal: 1.3,
      downforceAreaM2: 1.1,
    },
    talk: { brakes: 'enormous, and cold at first', steering: 'very quick', automatic: 'better by paddles' },
  },
};

const RESERVE_L = 10;
const REFUEL_S = 8 * 60;
const COOL_S = 15 * 60;

/** A place to find a better number than the assumed one, by the part of the car that it is in. */
export type BetterFrom = 'papers' | 'measuredLaps' | 'scales' | 'priceList' | 'garage';

/** What is assumed of a car of the starter set, each with where a better number comes from. */
const ASSUMED: readonly (readonly [path: string, from: BetterFrom])[] = [
  ['lapTimeS', 'measuredLaps'],
  ['lapPrice', 'priceList'],
  ['fuel.capacityL', 'papers'],
  ['fuel.startL', 'garage'],
  ['fuel.reserveL', 'garage'],
  ['fuel.perLapL', 'measuredLaps'],
  ['fuel.refuelS', 'garage'],
  ['cooling.afterLaps', 'garage'],
  ['cooling.restS', 'garage'],
  ['model.massKg', 'scales'],
  ['model.peakPowerKW', 'papers'],
  ['model.gears', 'papers'],
  ['model.gripLateral', 'measuredLaps'],
];

/** Where a better number than an assumed one comes from. */
export function betterFrom(path: string): BetterFrom | undefined {
  return ASSUMED.find(([one]) => one === path)?.[1];
}

/** What of a car is still assumed after a change of it, both encoded: what was changed by hand is not any more. */
export function stillAssumed(before: Json, after: Json): string[] | undefined {
  const assumed = (after['assumed'] as string[] | undefined)?.filter(
    (path) => JSON.stringify(valueAt(before, path)) === JSON.stringify(valueAt(after, path)),
  );
  return assumed && assumed.length > 0 ? assumed : undefined;
}

/** What a new car has of its venue. */
export type VenueOfCars = Pick<StarterPlace, 'lapLengthM' | 'available' | 'currency'>;

/** New cars are there from opening to closing. */
export function venueOfCars(
  venue: { readonly circuit: { readonly lapLengthM: number }; readonly opens: number; readonly closes: number },
  currency: string,
): VenueOfCars {
  const available = [{ from: venue.opens, to: venue.closes }];
  return { lapLengthM: venue.circuit.lapLengthM, available, currency };
}

/** What decides how a car of the starter set stands among the others. */
export interface StarterPlace {
  readonly number: number;
  readonly name: string;
  /** Of the venue's circuit, metres. */
  readonly lapLengthM: number;
  readonly available: CarFields['available'];
  /** In which the venue sells: the prices of the kinds are in euros, and stay empty elsewhere. */
  readonly currency: string;
  /** Ids that are taken. */
  readonly taken: ReadonlySet<string>;
  readonly colour?: string | undefined;
}

/** The currency of `lapPrice` of each kind. */
const PRICED_IN = 'EUR';

/** A whole car of a kind; every number of it is in `assumed`. */
export function starterCar(
  kind: CarKind,
  { number, name, lapLengthM, available, currency, taken, colour }: StarterPlace,
): CarFields {
  const sketch = SKETCHES[kind];
  return {
    id: carId(number, taken),
    number,
    name,
    kind,
    ...(colour && { colour }),
    level: sketch.level,
    lapTimeS: Math.round((lapLengthM / sketch.meanMps) * 10) / 10,
    gearboxes: [...sketch.gearboxes],
    available,
    fuel: {
      capacityL: sketch.tankL,
      startL: sketch.tankL,
      reserveL: RESERVE_L,
      perLapL: Math.max(0.1, Math.round(sketch.perKmL * lapLengthM) / 1000),
      refuelS: REFUEL_S,
    },
    cooling: { afterLaps: sketch.coolsAfterLaps, restS: COOL_S },
    ...(currency === PRICED_IN && { lapPrice: sketch.lapPrice }),
    model: { format: 'joylap-car', version: 1, name, ...sketch.model, tankL: sketch.tankL },
    talk: sketch.talk,
    assumed: ASSUMED.map(([path]) => path).filter((path) => path !== 'lapPrice' || currency === PRICED_IN),
  };
}

/** An id for a car, made from its number: `c4`, or `c4-2` where another one has it. */
export function carId(number: number, taken: ReadonlySet<string>): string {
  for (let place = 1; ; place++) {
    const id = place === 1 ? `c${number}` : `c${number}-${place}`;
    if (!taken.has(id)) return id;
  }
}

/** The colours that cars get in turn, well told apart on a map. */
const STARTER_COLOURS =
  '#5e8ca8 #c9b458 #a34b3f #7f9a6b #8c6aa0 #e0a84b #2f6d73 #c0564b #3e4a57 #b98ac0 #6e6459 #9fb9c4'.split(' ');

export function starterColour(number: number): string {
  return STARTER_COLOURS[(number - 1) % STARTER_COLOURS.length]!;
}

/** A car of each kind under each name, with its price where it is known, numbered on from those that are there. */
export function namedCars(
  wanted: readonly { readonly kind: CarKind; readonly name: string; readonly lapPrice?: number | undefined }[],
  fleet: readonly Pick<CarFields, 'id' | 'number'>[],
  at: VenueOfCars,
): CarFields[] {
  const taken = new Set(fleet.map(({ id }) => id));
  const first = 1 + Math.max(0, ...fleet.map(({ number }) => number));
  return wanted.map(({ kind, name, lapPrice }, place) => {
    const number = first + place;
    const car = starterCar(kind, { ...at, number, name, taken, colour: starterColour(number) });
    taken.add(car.id);
    if (lapPrice === undefined) return car;
    return { ...car, lapPrice, assumed: car.assumed?.filter((path) => path !== 'lapPrice') };
  });
}

/** So many of each kind, numbered on from those that are there; the first of a kind has its plain name. */
export function starterSet(
  counts: Partial<Record<CarKind, number>>,
  names: Readonly<Record<CarKind, string>>,
  fleet: readonly Pick<CarFields, 'id' | 'number' | 'name'>[],
  at: VenueOfCars,
): CarFields[] {
  const called = new Set(fleet.map(({ name }) => name));
  const wanted = CAR_KINDS.flatMap((kind) =>
    Array.from({ length: counts[kind] ?? 0 }, () => {
      const name = freeName(names[kind], called);
      called.add(name);
      return { kind, name };
    }),
  );
  return namedCars(wanted, fleet, at);
}

function freeName(plain: string, called: ReadonlySet<string>): string {
  for (let place = 1; ; place++) {
    const name = place === 1 ? plain : `${plain} ${place}`;
    if (!called.has(name)) return name;
  }
}
