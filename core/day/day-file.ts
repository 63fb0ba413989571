import * as z from 'zod';
import { durationS, id, lapTimeS, name, seats, timeOfDay, timeWindow } from '../values';
import { GROUP_ROLES, group, rideCar, rides, surface } from '../programmes';

/**
 * The day file (`joylap-day`): everything the planner may know about one day. Version 2 knows surfaces, groups and rides as
 * well; a file of version 1 is read as it always was.
 */

const litres = z.number().min(0).max(500);
const paceFactor = z.number().min(0.5).max(3);
const laps = z.number().int().min(1).max(50);
const level = z.number().int().min(1).max(5);
const count = z.number().int().min(0).max(100_000);

export const gearbox = z.enum(['auto', 'paddle']);
export type Gearbox = z.output<typeof gearbox>;

export const condition = z.strictObject({
  name,
  paceFactor,
  changes: z.array(z.strictObject({ from: timeOfDay, name, paceFactor })).optional(),
});

export const circuit = z.strictObject({
  name,
  lapLengthM: z.number().positive().max(30_000),
  /** The way in lies before the line, so that the last lap of a drive ends there; as if it did not where missing. */
  endsBeforeLine: z.boolean().optional(),
  closures: z.array(
    z
      .strictObject({ from: timeOfDay, to: timeOfDay, reason: z.string().max(500).optional() })
      .refine((closure) => closure.from < closure.to, { message: 'expected "from" to be before "to"', path: ['from'] }),
  ),
});

const weight = z.number().min(0).max(1_000_000).optional();
export const weights = z.strictObject({
  unplanned: weight,
  waiting: weight,
  continuity: weight,
  preference: weight,
  ladder: weight,
  passes: weight,
  balance: weight,
  party: weight,
  friends: weight,
  moved: weight,
  reassigned: weight,
});

export const rules = z.strictObject({
  releaseGapS: durationS,
  maxCarsOnTrack: z.number().int().min(1).max(1000),
  setUpS: durationS,
  wrapUpS: durationS,
  turnaroundS: durationS,
  guestRestS: durationS,
  refuelBays: count,
  firstLapFactor: z.number().min(0.5).max(3).optional(),
  outLapCounts: z.boolean().optional(),
  /** A lap that a flag has spoiled is given again without asking; not where missing. */
  flagLapsGranted: z.boolean().optional(),
  briefing: z.strictObject({ durationS, seats, rooms: count }),
  sighting: z.strictObject({ laps, setUpS: durationS, wrapUpS: durationS }),
  rides: rides.optional(),
  weights: weights.optional(),
});
export type Rules = z.output<typeof rules>;

export const fit = z.strictObject({
  minHeightCm: z.number().min(0).max(300).optional(),
  maxHeightCm: z.number().min(0).max(300).optional(),
  maxWeightKg: z.number().min(0).max(500).optional(),
});

export const car = z.strictObject({
  id,
  name,
  level,
  lapTimeS,
  gearboxes: z.array(gearbox).min(1),
  available: z.array(timeWindow),
  fuel: z
    .strictObject({
      capacityL: litres,
      startL: litres,
      reserveL: litres,
      perLapL: litres,
      refuelS: durationS,
      readings: z.array(z.strictObject({ at: timeOfDay, litres })).optional(),
    })
    .refine((fuel) => fuel.startL >= fuel.reserveL, {
      message: 'expected startL to be at least reserveL',
      path: ['startL'],
    }),
  cooling: z.strictObject({ afterLaps: count, restS: durationS }),
  fit: fit.optional(),
  /** Rides are given in it. */
  ride: rideCar.optional(),
});
export type Car = z.output<typeof car>;

export const sightingVehicle = z.strictObject({ id, name, seats, lapTimeS, available: z.array(timeWindow) });
export type SightingVehicle = z.output<typeof sightingVehicle>;

export const instructor = z.strictObject({
  id,
  name,
  cars: z.union([z.literal('all'), z.array(id)]),
  languages: z.array(z.string().min(1).max(35)).min(1),
  available: z.array(timeWindow),
  maxSeatS: z.number().int().min(0).max(86_400),
  restS: durationS,
  meal: z
    .strictObject({ from: timeOfDay, to: timeOfDay, durationS })
    .refine((meal) => meal.from < meal.to, { message: 'expected "from" to be before "to"', path: ['from'] }),
  maxLaps: count,
  brief: z.boolean(),
  sighting: z.boolean(),
  levelLaps: z.partialRecord(z.enum(['1', '2', '3', '4', '5']), count).optional(),
  /** Drives guests at full pace. */
  rides: z.boolean().optional(),
  /** What else a group may ask of them. */
  duties: z.array(z.enum(GROUP_ROLES)).optional(),
});
export type Instructor = z.output<typeof instructor>;

export const pin = z.strictObject({ release: timeOfDay.optional(), car: id.optional(), instructor: id.optional() });

/** A ride takes so many seats beside the driver. */
export const rideOf = z.strictObject({ seats });

const drive = z.strictObject({
  id,
  cars: z.array(id).min(1),
  laps,
  gearbox: gearbox.optional(),
  extraLaps: z.number().int().min(0).max(50).optional(),
  pin: pin.optional(),
  /** By the guest's word it begins (with its set-up) no earlier than this. */
  notBefore: timeOfDay.optional(),
  /** The instructor drives. */
  ride: rideOf.optional(),
});
export type Drive = z.output<typeof drive>;

export const guest = z.strictObject({
  id,
  name,
  party: id.optional(),
  arrives: timeOfDay,
  leavesBy: timeOfDay.optional(),
  languages: z.array(z.string().min(1).max(35)).min(1),
  heightCm: z.number().min(50).max(300).optional(),
  weightKg: z.number().min(10).max(500).optional(),
  pace: z.number().min(0.5).max(3),
  briefed: z.boolean(),
  sighted: z.boolean(),
  avoidInstructors: z.array(id).optional(),
  preferInstructors: z.array(id).optional(),
  /** Wishes of friends: on the circuit together, one after the other, beside the same instructor. */
  sameTimeAs: z.array(id).optional(),
  inTurnWith: z.array(id).optional(),
  sameInstructorAs: z.array(id).optional(),
  sequence: z.enum(['any', 'asListed']).optional(),
  drives: z.array(drive),
});
export type Guest = z.output<typeof guest>;

/** More is no event day any more, and is refused wherever bookings come in. */
export const MOST_GUESTS_A_DAY = 2000;
export const MOST_DRIVES_A_DAY = 5000;
const MOST_GROUPS_A_DAY = 200;

/** Drives that are booked on a day. */
export function driveCountOf({ guests }: { readonly guests: readonly Pick<Guest, 'drives'>[] }): number {
  return guests.reduce((sum, { drives }) => sum + drives.length, 0);
}

/** IANA names are known to the platform; asking it is the only check there is. */
function isTimeZone(timeZone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone });
    return true;
  } catch {
    return false;
  }
}

export const timeZone = z
  .string()
  .min(1)
  .max(64)
  .refine(isTimeZone, 'expected an IANA time zone such as Atlantic/Azores');

const shape = z.strictObject({
  format: z.literal('joylap-day'),
  version: z.union([z.literal(1), z.literal(2)]),
  venue: name,
  date: z.iso.date(),
  timeZone,
  opens: timeOfDay,
  closes: timeOfDay,
  condition,
  circuit,
  rules,
  cars: z.array(car),
  sightingVehicles: z.array(sightingVehicle),
  instructors: z.array(instructor),
  guests: z.array(guest).max(MOST_GUESTS_A_DAY, `expected at most ${MOST_GUESTS_A_DAY} guests a day`),
  surfaces: z.array(surface).optional(),
  groups: z.array(group).max(MOST_GROUPS_A_DAY, `expected at most ${MOST_GROUPS_A_DAY} groups a day`).optional(),
});

/** The version of the file that a day needs. */
export function versionOf(day: Omit<Day, 'format' | 'version'>): Day['version'] {
  return pathsOfVersion2(day).length > 0 ? 2 : 1;
}

/** Where a day has what only version 2 of the file knows. */
function pathsOfVersion2(day: Omit<z.output<typeof shape>, 'format' | 'version'>): (string | number)[][] {
  return [
    ...(day.surfaces ? [['surfaces']] : []),
    ...(day.groups ? [['groups']] : []),
    ...(day.rules.rides ? [['rules', 'rides']] : []),
    ...day.cars.flatMap(({ ride }, place) => (ride ? [['cars', place, 'ride']] : [])),
    ...day.instructors.flatMap(({ rides, duties }, place) => [
      ...(rides === undefined ? [] : [['instructors', place, 'rides']]),
      ...(duties === undefined ? [] : [['instructors', place, 'duties']]),
    ]),
    ...day.guests.flatMap(({ drives }, place) =>
      drives.flatMap(({ ride }, at) => (ride ? [['guests', place, 'drives', at, 'ride']] : [])),
    ),
  ];
}

/** The places at which an id stands that stood before in the same list. */
export function idsTwice(things: readonly { readonly id: string }[]): { index: number; message: string }[] {
  const seen = new Set<string>();
  return things.flatMap(({ id: own }, index) => {
    if (seen.has(own)) return [{ index, message: `expected a unique id, "${own}" stands twice` }];
    seen.add(own);
    return [];
  });
}

/**
 * The schema is the type. References to cars and instructors that are not in the file are allowed on purpose: a
 * withdrawn car leaves the file while bookings still name it.
 */
export const dayFile = shape.superRefine((day, context) => {
  if (day.opens >= day.closes) {
    context.addIssue({ code: 'custom', path: ['opens'], message: 'expected "opens" to be before "closes"' });
  }
  for (const kind of ['cars', 'sightingVehicles', 'instructors', 'guests', 'surfaces', 'groups'] as const) {
    for (const { index, message } of idsTwice(day[kind] ?? [])) {
      context.addIssue({ code: 'custom', path: [kind, index, 'id'], message });
    }
  }
  const drives = new Set<string>();
  day.guests.forEach((guest, guestIndex) => {
    guest.drives.forEach((drive, index) => {
      if (drives.has(drive.id)) {
        context.addIssue({
          code: 'custom',
          path: ['guests', guestIndex, 'drives', index, 'id'],
          message: `expected a unique id, "${drive.id}" stands twice`,
        });
      }
      drives.add(drive.id);
    });
  });
  if (day.version === 1) {
    for (const path of pathsOfVersion2(day)) {
      context.addIssue({ code: 'custom', path, message: 'expected "version": 2 in a file with this' });
    }
  }
  if (driveCountOf(day) > MOST_DRIVES_A_DAY) {
    const message = `expected at most ${MOST_DRIVES_A_DAY} drives a day`;
    context.addIssue({ code: 'custom', path: ['guests'], message });
  }
});
/** A day inside the core: every time of day in seconds. */
export type Day = z.output<typeof dayFile>;
/** The same as it stands in a file or on the wire. */
export type DayFile = z.input<typeof dayFile>;
