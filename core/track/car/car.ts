import type { CarFile, PowerPoint } from './car-file';

/** A car with everything a lap needs. */
export interface Car {
  readonly name: string;
  readonly massKg: number;
  readonly peopleKg: number;
  readonly drivenWheels: CarFile['drivenWheels'] & string;
  readonly engine: CarFile['engine'] & string;
  readonly frontWeightShare: number;
  readonly wheelbaseM: number;
  readonly centreOfMassHeightM: number;
  readonly widthM: number;
  readonly power: readonly PowerPoint[];
  readonly maxRpm: number;
  readonly gears: readonly number[];
  readonly finalDrive: number;
  readonly tyreRadiusM: number;
  readonly lowestGear: number;
  readonly shiftS: number;
  readonly drivelineEfficiency: number;
  readonly dragAreaM2: number;
  readonly downforceAreaM2: number;
  readonly rollingResistance: number;
  readonly gripLongitudinal: number;
  readonly gripLateral: number;
  readonly tankL: number;
  readonly tankToCrank: number;
  readonly idleLPerH: number;
}

const FRONT_SHARES = { front: 0.54, mid: 0.42, rear: 0.39 } as const;

/** What a car is taken to be where its file is silent. */
const DEFAULTS = {
  peopleKg: 160,
  drivenWheels: 'rear',
  engine: 'front',
  wheelbaseM: 2.65,
  centreOfMassHeightM: 0.46,
  widthM: 1.95,
  shiftS: 0.15,
  drivelineEfficiency: 0.9,
  dragAreaM2: 0.68,
  downforceAreaM2: 0,
  rollingResistance: 0.013,
  gripLongitudinal: 1.1,
  gripLateral: 1.05,
  tankL: 70,
  tankToCrank: 0.27,
  idleLPerH: 2.5,
} as const;

/** A car file with its defaults filled in, and the names of what had to be filled in. */
export function carOf(file: CarFile): { car: Car; assumed: (keyof Car)[] } {
  const { format: _format, version: _version, name, power, peakPowerKW, peakPowerRpm, ...given } = file;
  const engine = given.engine ?? DEFAULTS.engine;
  const filled = {
    ...DEFAULTS,
    frontWeightShare: FRONT_SHARES[engine],
    lowestGear: Math.min(2, given.gears.length),
  };
  const known = Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)) as Omit<
    typeof given,
    keyof typeof filled
  > &
    typeof filled;
  const assumed = (Object.keys(filled) as (keyof typeof filled)[]).filter((key) => !(key in known));
  return {
    car: {
      ...filled,
      ...known,
      name: name ?? 'car',
      power: power ?? fromPeak(peakPowerKW!, peakPowerRpm!),
    },
    assumed: power ? assumed : [...assumed, 'power'],
  };
}

/**
 * Power of a car of which only the peak is known: torque constant at 1.1 times that of the peak up to 0.75 of its
 * revolutions, then power rising evenly to the peak, then flat.
 */
function fromPeak(peakKW: number, peakRpm: number): PowerPoint[] {
  return [
    { rpm: 0.75 * peakRpm, kW: 1.1 * 0.75 * peakKW },
    { rpm: peakRpm, kW: peakKW },
  ];
}

/** A car of no fleet, so that a circuit can be looked at before there is one. */
export const ORDINARY_CAR: Car = carOf({
  format: 'joylap-car',
  version: 1,
  name: 'an ordinary sports car',
  massKg: 1450,
  peakPowerKW: 320,
  peakPowerRpm: 6800,
  maxRpm: 7500,
  gears: [3.3, 2.2, 1.6, 1.25, 1, 0.82],
  finalDrive: 3.7,
  tyreRadiusM: 0.34,
}).car;
