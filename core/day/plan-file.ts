import * as z from 'zod';
import { timeOfDay } from '../values';
import { GROUP_ROLES } from '../programmes';
import { leftOutReason } from './unplaced';

/** The plan file (`joylap-plan`), version 2 where the day has groups. Ids are looked up in the day file by the rule `COMPLETE`, not here. */

const id = z.string().min(1).max(64);

const briefing = z.strictObject({
  start: timeOfDay,
  instructor: id,
  guests: z.array(id),
  heldUntil: timeOfDay.optional(),
});
export type Briefing = z.output<typeof briefing>;

const sighting = z.strictObject({
  release: timeOfDay,
  vehicle: id,
  instructor: id,
  guests: z.array(id),
  heldUntil: timeOfDay.optional(),
});
export type Sighting = z.output<typeof sighting>;

export const plannedDrive = z.strictObject({
  drive: id,
  car: id,
  instructor: id,
  release: timeOfDay,
  heldUntil: timeOfDay.optional(),
});
export type PlannedDrive = z.output<typeof plannedDrive>;

const refuel = z.strictObject({ car: id, start: timeOfDay });
export type Refuel = z.output<typeof refuel>;

const unplanned = z.strictObject({ drive: id, reason: leftOutReason });
export type Unplanned = z.output<typeof unplanned>;

const plannedGroup = z.strictObject({
  group: id,
  release: timeOfDay,
  /** Of the guests, in the order of the members where everybody has an own one. */
  cars: z.array(id),
  leadCar: id.optional(),
  crew: z.array(z.strictObject({ role: z.enum(GROUP_ROLES), instructor: id })),
  heldUntil: timeOfDay.optional(),
});
export type PlannedGroup = z.output<typeof plannedGroup>;

const unplannedGroup = z.strictObject({ group: id, reason: leftOutReason });
export type UnplannedGroup = z.output<typeof unplannedGroup>;

export const planFile = z.strictObject({
  format: z.literal('joylap-plan'),
  version: z.union([z.literal(1), z.literal(2)]),
  date: z.iso.date(),
  briefings: z.array(briefing),
  sightings: z.array(sighting),
  drives: z.array(plannedDrive),
  refuels: z.array(refuel),
  unplanned: z.array(unplanned),
  groups: z.array(plannedGroup).optional(),
  unplannedGroups: z.array(unplannedGroup).optional(),
});
/** A plan inside the core: every time of day in seconds. */
export type Plan = z.output<typeof planFile>;
/** The same as it stands in a file or on the wire. */
export type PlanFile = z.input<typeof planFile>;
