import * as z from 'zod';

/** The car file (`joylap-car`, version 1), as `docs/lap.md` describes it. SI units but for those in the names. */

const range = (least: number, most: number, unit = '') => {
  const message = `expected ${least} to ${most}${unit && ` ${unit}`}`;
  return z.number({ error: message }).min(least, message).max(most, message);
};
const kW = range(20, 1500, 'kW');
const rpm = range(500, 20_000, 'rpm');

const drivenWheels = z.enum(['front', 'rear', 'all']);
const enginePlace = z.enum(['front', 'mid', 'rear']);

const powerPoint = z.strictObject({ rpm, kW });
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
