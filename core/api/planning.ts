import * as z from 'zod';
import { rideOf, weights, planFile, plannedDrive } from '../day';
import { timeOfDay } from '../values';
import { changeReasonFact, violationFact } from './facts';

/** Plans and proposals of plans, as web and server exchange them. */

const id = z.string().min(1).max(64);
const author = z.string().trim().min(1).max(100);
const reason = z.string().trim().min(1).max(200);

/** A cost in minutes of patience, in all and by term. */
const cost = z.object({ total: z.number(), terms: z.record(weights.keyof(), z.number()) });

/** Below what no plan of a day can be; see `Bound` of the planner. */
const bound = z.object({
  leftOut: z.object({
    atLeast: z.number().int(),
    because: z
      .array(z.object({ scarce: z.enum(['circuit', 'crew', 'briefers', 'cars']), atLeast: z.number().int() }))
      .readonly(),
    never: z.array(id).readonly(),
  }),
  waiting: z.object({ minutes: z.number(), because: z.enum(['hours', 'circuit', 'cars', 'crew']) }).optional(),
  total: z.number(),
});

/** How good the accepted plan is. */
export const howGood = z.object({
  /** Null while it is being worked out, and without a plan. */
  bound: bound.nullable(),
  /** What the accepted plan costs on the day as it is now. */
  cost: cost.nullable(),
  leftOut: z.number().int(),
  drives: z.number().int(),
});
export type HowGood = z.output<typeof howGood>;

/** An accepted plan. */
export const planRevision = z.object({
  revision: z.number().int().min(1),
  author: z.string(),
  reason: z.string(),
  acceptedAt: z.iso.datetime(),
  /** What rules it broke when the manager accepted it all the same; as sentences where an earlier version kept it. */
  despite: z.array(z.union([z.string(), violationFact])),
});
export type PlanRevision = z.output<typeof planRevision>;

/** A plan as it stands once it was accepted: with laps that are owed by now, and without who is gone. */
export const acceptedPlan = z.object({ ...planRevision.shape, plan: planFile });
export type AcceptedPlan = z.output<typeof acceptedPlan>;

/**
 * How to plan. `improve`: the best plan for the day, whoever moves; `repair`: what can stay stays; `restore`: back to an
 * earlier revision as far as the day still allows. Once the day has begun, what has begun stands in any case.
 */
const planningMode = z.enum(['improve', 'repair', 'restore']);
export type PlanningMode = z.output<typeof planningMode>;

const MOST_PLANNING_S = 300;
export const startPlanning = z.strictObject({
  author,
  reason,
  mode: planningMode,
  /** How long to look for a better plan. */
  seconds: z.number().min(0).max(MOST_PLANNING_S),
  /** Which plan to restore. */
  revision: z.number().int().min(1).optional(),
});
export type StartPlanning = z.output<typeof startPlanning>;

const planChange = z.object({
  drive: id,
  guest: z.string(),
  kind: z.enum(['moved', 'reassigned', 'added', 'left out']),
  before: plannedDrive.optional(),
  after: plannedDrive.optional(),
  why: changeReasonFact.optional(),
});

/** What a search has found. */
const foundPlan = z.object({
  plan: planFile,
  cost,
  /** What the current plan costs on the same day, and nothing where there is none. */
  costBefore: cost.nullable(),
  changes: z.array(planChange),
  /** Steps of the search that were taken. */
  steps: z.number().int(),
});

/** A plan that is being looked for, or has been found and is neither accepted nor dropped. */
export const planJob = z.object({
  id,
  author: z.string(),
  reason: z.string(),
  mode: planningMode,
  seconds: z.number(),
  startedAt: z.iso.datetime(),
  /** Revision that it would replace; 0 where there is none. */
  base: z.number().int().min(0),
  /** Time of day that it was made for. */
  asOf: timeOfDay,
  /** `interrupted`: the server stopped before a plan was found. */
  state: z.enum(['running', 'ready', 'interrupted', 'failed']),
  found: foundPlan.nullable(),
});
export type PlanJob = z.output<typeof planJob>;

/** How far a search has come; streamed while it runs. */
export const planProgress = z.object({
  id,
  elapsedS: z.number(),
  steps: z.number().int(),
  cost,
  costBefore: cost.nullable(),
  unplanned: z.number().int(),
});
export type PlanProgress = z.output<typeof planProgress>;

export const acceptPlan = z.strictObject({
  /** The current revision, as the person saw it; 0 where there was none. */
  base: z.number().int().min(0),
  plan: planFile,
  /** Time of day for which the plan was made or changed. */
  asOf: timeOfDay,
  author,
  reason,
  /** The manager's decision to have the plan though it breaks a rule. */
  despiteRules: z.boolean().optional(),
});
export type AcceptPlan = z.output<typeof acceptPlan>;

/** A change of the day that would give a drive its place. */
export const remedyChange = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('car'), drive: id, car: id }),
  z.strictObject({ kind: z.literal('closes'), to: timeOfDay }),
  z
    .strictObject({ kind: z.literal('crew'), instructor: id, from: timeOfDay, to: timeOfDay })
    .refine(({ from, to }) => from < to, { message: 'expected "from" to be before "to"', path: ['from'] }),
  z.strictObject({ kind: z.literal('stays'), guest: id, until: timeOfDay }),
  z.strictObject({ kind: z.literal('unpin'), drive: id }),
]);

/** One more drive that somebody asks for. */
export const oneMoreDrive = z.strictObject({
  guest: id,
  /** Any of these will do. */
  cars: z.array(id).min(1, 'expected at least one car'),
  laps: z.number().int().min(1).max(50),
  /** Beside an instructor who drives, in so many seats. */
  ride: rideOf.optional(),
  /** The drive that was broken off and whose laps are driven here; they are paid for. */
  makesUpFor: id.optional(),
});

export type OneMoreDrive = z.output<typeof oneMoreDrive>;

const offeredPlace = z.object({
  planned: plannedDrive,
  /** Time of day at which the guest would sit in the car. */
  seat: timeOfDay,
  /** What the plan then costs more, in minutes of patience. */
  costs: z.number(),
  /** From the venue's list; nothing where the list has no price for the car. */
  price: z.number().nullable(),
  /** Whose drives move for it. */
  moved: z.array(z.object({ drive: id, guest: id, from: timeOfDay, to: timeOfDay })),
  /** The whole plan with it. */
  plan: planFile,
});
export type OfferedPlace = z.output<typeof offeredPlace>;

export const offeredPlaces = z.object({
  asOf: timeOfDay,
  base: z.number().int(),
  drive: id,
  slots: z.array(offeredPlace),
  better: offeredPlace.nullable(),
});
export type OfferedPlaces = z.output<typeof offeredPlaces>;

export const takePlace = z.strictObject({
  ...oneMoreDrive.shape,
  drive: id,
  base: z.number().int().min(1),
  asOf: timeOfDay,
  plan: planFile,
  author,
});
