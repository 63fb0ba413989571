import type { carFile } from '@core/track/car/at-start';
import * as z from 'zod';
import { CAR_KINDS, carFields } from '@core/venue/fleet';
import { CAR_KIND_WORDS } from '@words/en/first-steps';
import { formOf, MONEY } from '../../../shared/forms/fields';

/** The fields of a car, as the form shows them. */
export const CAR_FIELDS = formOf<Omit<z.input<typeof carFields>, 'model'>>({
  'fuel.readings': 'notHere',
  // Made by the program.
  id: 'notHere',
  assumed: 'notHere',
  leftOn: 'notHere',
  number: { label: 'Number on the door', kind: 'number', group: 'Car' },
  name: { label: 'Name', kind: 'text' },
  kind: {
    label: 'Kind',
    kind: 'choice',
    optional: true,
    options: CAR_KINDS.map((value) => ({ value, label: CAR_KIND_WORDS[value].name })),
  },
  colour: {
    label: 'Colour',
    kind: 'colour',
    optional: true,
    hint: 'on maps, and where people look for the yellow one',
  },
  photo: { label: 'Picture', kind: 'photo', optional: true },
  level: {
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
  lapTimeS: { label: 'Lap of a quick guest', unit: 's', kind: 'number', decimals: 1 },
  lapPrice: { label: 'Price of a lap', kind: 'number', unit: MONEY, optional: true },
  stall: { label: 'Stall', kind: 'number', optional: true },
  transponder: { label: 'Transponder', kind: 'text', optional: true, hint: 'its id where empty' },
  gearboxes: {
    label: 'Gearboxes',
    kind: 'many',
    options: [
      { label: 'automatic', value: 'auto' },
      { label: 'paddles', value: 'paddle' },
    ],
  },
  available: { label: 'Available', kind: 'windows', wide: true },
  'fuel.capacityL': {
    label: 'Tank',
    unit: 'l',
    kind: 'number',
    decimals: 1,
    group: 'Fuel',
    folded: 'so that refuelling is planned',
  },
  'fuel.startL': { label: 'At opening', unit: 'l', kind: 'number', decimals: 1 },
  'fuel.reserveL': { label: 'Reserve', unit: 'l', kind: 'number', decimals: 1 },
  'fuel.perLapL': { label: 'A lap takes', unit: 'l', kind: 'number', decimals: 3 },
  'fuel.refuelS': { label: 'Refuelling takes', kind: 'duration' },
  'cooling.afterLaps': {
    label: 'Cooling after',
    unit: 'laps',
    kind: 'number',
    group: 'Cooling and fit',
    folded: 'so that it is not driven hot, and nobody books a car they cannot sit in',
  },
  'cooling.restS': { label: 'Cooling takes', kind: 'duration' },
  'fit.minHeightCm': { label: 'Guest at least', unit: 'cm', kind: 'number', optional: true },
  'fit.maxHeightCm': { label: 'Guest at most', unit: 'cm', kind: 'number', optional: true },
  'fit.maxWeightKg': { label: 'Guest at most', unit: 'kg', kind: 'number', optional: true },
  'wear.brakesMJ': {
    label: 'Brakes last',
    unit: 'MJ',
    kind: 'number',
    optional: true,
    group: 'Parts',
    folded: 'so that wear is counted down',
  },
  'wear.tyresKm': { label: 'Tyres last', unit: 'km', kind: 'number', optional: true },
  'wear.clutchStarts': { label: 'Clutch lasts', unit: 'starts', kind: 'number', optional: true },
  'ride.lapTimeS': {
    label: 'Lap at full pace',
    unit: 's',
    kind: 'number',
    optional: true,
    group: 'Rides',
    folded: 'so that an instructor can drive guests in it',
  },
  'ride.seats': { label: 'Seats beside the driver', kind: 'number', optional: true },
  ridePrice: { label: 'Price of a lap, each seat', kind: 'number', unit: MONEY, optional: true },
  'talk.brakes': {
    label: 'Brakes',
    kind: 'text',
    optional: true,
    group: 'Talk in the car',
    folded: 'so that the instructor can say what is special',
  },
  'talk.steering': { label: 'Steering', kind: 'text', optional: true },
  'talk.automatic': { label: 'Automatic', kind: 'text', optional: true, hint: 'how well it suits the circuit' },
  'talk.traps': {
    label: 'Traps of the cockpit',
    kind: 'list',
    optional: true,
    wide: true,
    hint: 'with commas, such as: the horn answers to elbows',
  },
});

/** What a car begins with; the rest follows from its kind until somebody knows better. */
export const newCar = z.strictObject({
  number: carFields.shape.number,
  name: carFields.shape.name,
  kind: z.enum(CAR_KINDS),
  lapPrice: carFields.shape.lapPrice,
  colour: carFields.shape.colour,
});

export const NEW_CAR_FIELDS = CAR_FIELDS.filter(({ path }) => path in newCar.shape).map((field) => {
  if (field.path === 'kind') return { ...field, optional: false };
  return field.path === 'lapPrice' ? { ...field, hint: 'an ordinary one for its kind where empty' } : field;
});

/** A car before anybody has said of what kind it is; only specs and the editor of one that is there go by it. */
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

const share = (label: string, hint: string) => ({ label, kind: 'number', decimals: 4, optional: true, hint }) as const;
const number = (label: string, unit: string, hint: string, decimals = 2) =>
  ({ label, unit, kind: 'number', decimals, optional: true, hint }) as const;

/** What a car is to the lap model; what is left empty is taken from the defaults that stand below it. */
export const MODEL_FIELDS = formOf<z.input<typeof carFile>>({
  format: 'notHere',
  version: 'notHere',
  name: 'notHere',
  massKg: { label: 'Mass without people', unit: 'kg', kind: 'number', group: 'Needed' },
  peakPowerKW: {
    label: 'Peak power',
    unit: 'kW',
    kind: 'number',
    decimals: 1,
    optional: true,
    hint: 'or the curve below',
  },
  peakPowerRpm: { label: 'at', unit: 'rpm', kind: 'number', optional: true },
  maxRpm: { label: 'Shift at the latest', unit: 'rpm', kind: 'number' },
  gears: { label: 'Gear ratios', kind: 'numbers', wide: true, hint: 'falling, with commas: 3.2, 2.2, 1.65' },
  finalDrive: { label: 'Final drive', kind: 'number', decimals: 3 },
  tyreRadiusM: { label: 'Tyre radius', unit: 'm', kind: 'number', decimals: 3 },
  power: {
    label: 'Power curve',
    kind: 'curve',
    optional: true,
    wide: true,
    hint: 'rpm and kW, with commas: 2000 70, 3000 130; in place of the peak',
  },
  drivenWheels: {
    label: 'Driven wheels',
    kind: 'choice',
    optional: true,
    group: 'Known better than by default',
    hint: 'rear',
    options: ['front', 'rear', 'all'].map((value) => ({ label: value, value })),
  },
  engine: {
    label: 'Engine',
    kind: 'choice',
    optional: true,
    hint: 'front',
    options: ['front', 'mid', 'rear'].map((value) => ({ label: value, value })),
  },
  lowestGear: { label: 'Lowest gear used', kind: 'number', optional: true, hint: '2' },
  peopleKg: number('Guest and instructor', 'kg', '160', 0),
  frontWeightShare: share('Weight in front', '0.54, 0.42 or 0.39 by engine'),
  wheelbaseM: number('Wheelbase', 'm', '2.65'),
  centreOfMassHeightM: number('Height of the mass', 'm', '0.46'),
  widthM: number('Width', 'm', '1.95'),
  shiftS: number('A shift takes', 's', '0.15'),
  drivelineEfficiency: share('Crank to wheel', '0.9'),
  dragAreaM2: number('Drag area', 'm²', '0.68'),
  downforceAreaM2: number('Downforce area', 'm²', '0'),
  rollingResistance: share('Rolling resistance', '0.013'),
  gripLongitudinal: share('Grip along', '1.1'),
  gripLateral: share('Grip sideways', '1.05'),
  tankL: number('Tank', 'l', '70', 0),
  tankToCrank: share('Tank to crank', '0.27'),
  idleLPerH: number('Idle', 'l/h', '2.5', 1),
});

export const NEW_MODEL = {
  format: 'joylap-car',
  version: 1,
  massKg: null,
  maxRpm: null,
  gears: [],
  finalDrive: null,
  tyreRadiusM: null,
};
