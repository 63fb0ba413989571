import * as z from 'zod';
import { GROUP_ROLES } from '../programmes';
import { eventTime, timeOfDay } from '../values';
import { GROUP_NEEDS } from './group-needs';

/** Why a drive has no place in a plan. Plans carry it, so it has a schema; people may also say it in words of their own. */

const id = z.string().min(1).max(64);
const ids = z.array(id).max(200);
const languages = z.array(z.string().max(40)).max(50);

type Shape = Readonly<Record<string, z.ZodType>>;
/** Of no fields it is `{}`, which any fact without values is. */
type Fields<S extends Shape> = z.ZodType<{ [K in keyof S]: z.output<S[K]> }, { [K in keyof S]: z.input<S[K]> }>;
const fields = <S extends Shape>(shape: S) => z.strictObject(shape) as unknown as Fields<S>;

const reasonOf = <C extends string, S extends Shape, V extends Shape>(code: C, subjects: S, values: V) =>
  z.strictObject({ code: z.literal(code), subjects: fields(subjects), values: fields(values) });

const pair = { car: id, guest: id };
/** Why a car can't be driven by a guest on a drive. */
const carMisfit = z.discriminatedUnion('code', [
  reasonOf('notBooked', pair, {}),
  reasonOf('gearbox', pair, { wanted: z.enum(['auto', 'paddle']) }),
  reasonOf('tooTall', pair, { heightCm: z.number(), mostCm: z.number() }),
  reasonOf('tooShort', pair, { heightCm: z.number(), leastCm: z.number() }),
  reasonOf('tooHeavy', pair, { weightKg: z.number(), mostKg: z.number() }),
  reasonOf('noRides', pair, {}),
  reasonOf('rideSeats', pair, { wanted: z.number(), seats: z.number() }),
]);
export type CarMisfit = z.output<typeof carMisfit>;

const unplacedReason = z.discriminatedUnion('code', [
  /** None of the cars is on the day's sheet. */
  reasonOf('carsGone', { cars: ids }, {}),
  reasonOf('pinnedCar', { car: id }, {}),
  reasonOf('misfit', {}, { misfit: carMisfit }),
  /** The car that is pinned cannot be used. */
  reasonOf('noCar', {}, {}),
  reasonOf('pinnedInstructor', { instructor: id, guest: id, cars: ids }, {}),
  reasonOf('noInstructor', { guest: id, cars: ids }, { languages }),
  /** Nobody who gives a class, or drives the sighting run, may be with the guest. */
  reasonOf('noBriefer', { guest: id }, { languages }),
  reasonOf('noSightingDriver', { guest: id }, { languages }),
  /** No class, or sighting run, with a place fits. */
  reasonOf('noBriefing', { guest: id }, { from: timeOfDay, to: timeOfDay }),
  reasonOf('noSighting', { guest: id }, { from: timeOfDay, to: timeOfDay }),
  reasonOf('pinTaken', { cars: ids }, { release: timeOfDay }),
  /** With room on the circuit, with another car, with one more instructor it would do from then on. */
  reasonOf('circuitFull', { guest: id, cars: ids }, { from: timeOfDay }),
  reasonOf('carsTaken', { cars: ids }, { until: timeOfDay, from: timeOfDay }),
  reasonOf('crewTaken', { instructors: ids, cars: ids }, { from: timeOfDay }),
  /** The drives of the guest go in the order listed, and before the later ones is no place; in any order it has one. */
  reasonOf('laterOnesFirst', { guest: id }, { from: timeOfDay }),
  reasonOf('nothingLeft', { guest: id }, { closes: timeOfDay }),
  reasonOf('leavesEarly', { guest: id }, { leavesBy: timeOfDay }),
  reasonOf('dayFull', { guest: id, cars: ids }, { until: timeOfDay }),
  /** Laps of a drive that was broken off, which wait for a place. */
  reasonOf('owed', {}, { since: eventTime }),
  reasonOf('guestGone', { guest: id }, {}),
  /** A group: none of its guests comes. */
  reasonOf('nobodyComes', {}, {}),
  reasonOf('surfaceGone', { surface: id }, {}),
  /** Fewer of its cars are there than it needs. */
  reasonOf('groupCarsShort', { cars: ids }, { there: z.number(), needed: z.number() }),
  reasonOf('groupLeadCarGone', { cars: ids }, {}),
  /** Fewer people may do something than it needs. */
  reasonOf(
    'groupRoleShort',
    { instructors: ids },
    { role: z.enum(GROUP_ROLES), there: z.number(), needed: z.number() },
  ),
  /** Longer than the time that its guests, or its own window, leave it. */
  reasonOf('groupTooLong', {}, { neededS: z.number(), from: timeOfDay, to: timeOfDay }),
  /** Longer than anybody who could do a part in it may work in one piece. */
  reasonOf(
    'groupOverCrew',
    { instructors: ids },
    { role: z.enum(GROUP_ROLES), neededS: z.number(), mostS: z.number() },
  ),
  /** Never free together: with one of these alone out of the way it would have a place. */
  reasonOf('groupTaken', {}, { by: z.enum(GROUP_NEEDS), from: timeOfDay }),
  reasonOf('groupNowhere', {}, { from: timeOfDay, to: timeOfDay }),
]);
export type UnplacedReason = z.output<typeof unplacedReason>;

/** As in a plan: a reason of the planner's, or somebody's own words. */
export const leftOutReason = z.union([z.string().min(1, 'expected a reason').max(1000), unplacedReason]);
export type LeftOutReason = z.output<typeof leftOutReason>;
