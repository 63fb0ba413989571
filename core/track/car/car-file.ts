import * as z from 'zod';

/** The car file (`joylap-car`, version 1), as `docs/lap.md` describes it. SI units but for those in the names. */

const range = (least: number, most: number, unit = '') => {
  const message = `expected ${least} to ${most}${unit && ` ${unit}`}`;
  return z.number({ error: message }).min(least, message).max(most, message);
};
const kW = range(20, 1500, 'kW');
const rpm = range(500, 20_000, 'rpm');

export const drivenWheels = z.enum(['front', 'rear', 'all']);
export const enginePlace = z.enum(['front', 'mid', 'rear']);

export const powerPoint = z.strictObject({ rpm, kW });
export type PowerPoint = z.output<typeof powerPoint>;

/** Everything of the file but for its name tag; what is left out has the default that `DEFAULTS` and the contract give. */
const shape = z.strictObject({
  format: z.literal('joylap-car'),
  version: z.literal(1),
  name: z.string().max(200).optional(),
  /** Ready to drive, without people. */
  massKg: range(400, 3500, 'kg'),
  peopleKg: range(0, 600, 'kg').optional(),
  drivenWheels: drivenWheels.optional(),
  engine: enginePlace.optional(),
  /** Standing still. */
  frontWeightShare: range(0.3, 0.7).optional(),
  wheelbaseM: range(1.5, 4, 'm').optional(),
  centreOfMassHeightM: range(0.2, 1, 'm').optional(),
  widthM: range(1.2, 2.6, 'm').optional(),
  /** Full throttle at the crank; either this or the single peak. */
  power: z.array(powerPoint).min(1).max(60).optional(),
  peakPowerKW: kW.optional(),
  peakPowerRpm: rpm.optional(),
  maxRpm: rpm,
  gears: z.array(range(0.3, 6)).min(1, 'expected 1 to 10 gears').max(10, 'expected 1 to 10 gears'),
  finalDrive: range(1.5, 8),
  tyreRadiusM: range(0.2, 0.5, 'm'),
  /** The lowest gear that guests use on the circuit. */
  lowestGear: z.number().int().min(1).max(10).optional(),
  shiftS: range(0, 2, 's').optional(),
  drivelineEfficiency: range(0.5, 1).optional(),
  dragAreaM2: range(0, 3, 'm²').optional(),
  downforceAreaM2: range(0, 8, 'm²').optional(),
  rollingResistance: range(0, 0.05).optional(),
  gripLongitudinal: range(0.2, 2).optional(),
  gripLateral: range(0.2, 2).optional(),
  tankL: range(5, 200, 'l').optional(),
  tankToCrank: range(0.1, 0.6).optional(),
  idleLPerH: range(0, 10, 'l/h').optional(),
});

export const carFile = shape.superRefine((car, context) => {
  const issue = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
  const single = car.peakPowerKW !== undefined || car.peakPowerRpm !== undefined;
  if (car.power && single) issue(['power'], 'expected either "power" or "peakPowerKW" with "peakPowerRpm", not both');
  if (!car.power && (car.peakPowerKW === undefined || car.peakPowerRpm === undefined)) {
    issue(['power'], 'expected "power", or "peakPowerKW" with "peakPowerRpm"');
  }
  if (car.peakPowerRpm !== undefined && car.maxRpm < car.peakPowerRpm) {
    issue(['maxRpm'], `expected at least peakPowerRpm, ${car.peakPowerRpm}`);
  }
  car.power?.forEach((point, index) => {
    if (index > 0 && point.rpm <= car.power![index - 1]!.rpm) {
      issue(['power', index, 'rpm'], `expected more than ${car.power![index - 1]!.rpm}, the revolutions must rise`);
    }
  });
  const lastRpm = car.power?.at(-1)?.rpm;
  if (lastRpm !== undefined && car.maxRpm < lastRpm) {
    issue(['maxRpm'], `expected at least the last point of "power", ${lastRpm}`);
  }
  car.gears.forEach((ratio, index) => {
    if (index > 0 && ratio >= car.gears[index - 1]!) {
      issue(['gears', index], `expected less than ${car.gears[index - 1]}, the ratios must fall`);
    }
  });
  if (car.lowestGear !== undefined && car.lowestGear > car.gears.length) {
    issue(['lowestGear'], `expected one of the ${car.gears.length} gears`);
  }
});
/** A car as it stands in a file: what is not known is left out. */
export type CarFile = z.output<typeof carFile>;

/** A car with everything a lap needs. */
export interface Car {
  readonly name: string;
  readonly massKg: number;
  readonly peopleKg: number;
  readonly drivenWheels: z.output<typeof drivenWheels>;
  readonly engine: z.output<typeof enginePlace>;
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
export const DEFAULTS = {
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
