import * as z from 'zod';
import { CHANGE_WAYS, CORNER_STEPS, DRIVING_AIDS, STATION_KINDS } from './ordinary';

/** What a group does, as data: the steps from which everything else about it is worked out. */

const durationS = z.number().int().min(0).max(14_400);
const laps = z.number().int().min(1).max(50);
const lapsOrNone = z.number().int().min(0).max(50);
const lapS = z.number().min(5).max(1800);
const name = z.string().min(1, 'expected a name').max(200);

/** Distance between two cars, in lengths of a car, from and to. */
const carLengths = z
  .tuple([z.number().min(1).max(30), z.number().min(1).max(30)])
  .refine(([from, to]) => from <= to, 'expected the smaller number first');

const followProgramme = z.strictObject({
  kind: z.literal('follow'),
  /** Laps at pace, between warming up and cooling down. */
  laps,
  warmUpLaps: lapsOrNone,
  coolDownLaps: lapsOrNone,
  /** A lap of warming up or cooling down takes so many times as long as one at pace. */
  gentleFactor: z.number().min(1).max(3),
  change: z.strictObject({
    after: z.union([z.literal('onCall'), z.number().int().min(1).max(10)]),
    how: z.enum(CHANGE_WAYS),
    /** The straight or corner at which it takes place. */
    place: name.optional(),
    takesS: durationS,
    /** To which side the first car pulls. */
    side: z.enum(['left', 'right']).optional(),
    /** To what it slows, km/h; to a stop where the change is a stopped one. */
    slowToKmh: z.number().min(0).max(200).optional(),
  }),
  /** The venue's own spacing; the ordinary one where missing. */
  spacing: z.strictObject({ start: carLengths, practised: carLengths, coolDown: carLengths }).optional(),
  /** What is asked at a corner from a lap on. */
  asks: z
    .array(z.strictObject({ corner: name, fromLap: laps, step: z.enum(CORNER_STEPS) }))
    .max(60)
    .optional(),
});
export type FollowProgramme = z.output<typeof followProgramme>;

const throttleProgramme = z.strictObject({
  kind: z.literal('throttle'),
  /** Limits of the throttle, the gentlest first, each with what a lap takes then. */
  steps: z
    .array(z.strictObject({ percent: z.number().int().min(5).max(100), laps, lapS }))
    .min(1, 'expected at least one step')
    .max(10),
  /** From the hand on the shoulder to the first lap: push, clutch, countdown. */
  startS: durationS,
  /** From the flag to the next start: coast, apron, brakes, back into the lane, next guest in. */
  finishS: durationS,
  /** Cars on the oval at once. */
  carsOut: z.number().int().min(1).max(20),
  /** Lanes of the pit, by what they are called. */
  lanes: z.array(name).max(6).optional(),
  /** The car is pushed off, with a countdown. */
  pushed: z.boolean().optional(),
  /** The lane or height to hold on the banking. */
  hold: name.optional(),
});
export type ThrottleProgramme = z.output<typeof throttleProgramme>;

const lowGripProgramme = z.strictObject({
  kind: z.literal('lowGrip'),
  leadLaps: lapsOrNone,
  leadLapS: lapS,
  stations: z
    .array(
      z.strictObject({ name, kind: z.enum(STATION_KINDS), runS: durationS, aids: z.enum(DRIVING_AIDS).optional() }),
    )
    .min(1, 'expected at least one station')
    .max(8),
  /** Into so many teams the members are split, in the order in which they are listed. */
  teams: z.number().int().min(1).max(8),
  /** Runs of each guest at each station. */
  runsEach: z.number().int().min(1).max(20),
  /** A change of drivers, in the safety zone. */
  changeS: durationS,
  /** From one station to the next. */
  walkS: durationS,
  /** What any spotter says so that everybody stands. */
  stopPhrase: name.optional(),
  /** What pulls a car out that is stuck, and how long it takes to come. */
  recovery: z.strictObject({ vehicle: name, takesS: durationS }).optional(),
});
export type LowGripProgramme = z.output<typeof lowGripProgramme>;

export const programme = z.discriminatedUnion('kind', [followProgramme, throttleProgramme, lowGripProgramme]);
export type Programme = z.output<typeof programme>;
export type ProgrammeKind = Programme['kind'];
