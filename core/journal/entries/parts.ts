import * as z from 'zod';
import { eventTime } from '../../values';

/** What entries of several families are made of. */

export const subject = z.string().min(1).max(64);
export const sentence = z.string().trim().min(1).max(500);
export const common = {
  id: z.string().regex(/^[A-Za-z0-9_-]{8,64}$/, 'expected an id of 8 to 64 letters, digits, "-" or "_"'),
  at: eventTime,
  by: z.string().trim().min(1).max(100),
  /** Entered while the server could not be reached: it has happened, whatever others entered meanwhile. */
  offline: z.literal(true).optional(),
  /** Told with an entry that waited on a device: how long ago it was entered, by that device's clock. Never stored. */
  agoMs: z.number().int().min(0).optional(),
  /** Set by the server where the device's clock was ahead: the time that the device gave. */
  corrected: z.strictObject({ from: eventTime }).optional(),
};

/** An entry of a kind with its fields, beside those that every entry has. */
export const entryOf = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...shape });

/** A stretch of the day that ends before it begins is none, whoever enters it. */
export const inOrder = [
  ({ from, to }: { readonly from: number; readonly to: number }) => from < to,
  { message: 'expected "from" to be before "to"', path: ['from'] as PropertyKey[] },
] as const;

export const lapSource = z.enum(['hand', 'loop']);
export const breakKind = z.enum(['rest', 'meal', 'off']);
export const flagKind = z.enum(['green', 'caution', 'stop']);
export type FlagKind = z.output<typeof flagKind>;
export const breakOffReason = z.enum(['unwell', 'fault', 'spin', 'contact', 'weather', 'other']);
export type BreakOffReason = z.output<typeof breakOffReason>;
/** Why an instructor asks for one more lap. */
export const extraLapReason = z.enum(['traffic', 'flag', 'goodwill']);
export type ExtraLapReason = z.output<typeof extraLapReason>;
/** Why a guest of a group is not with the others: falls behind, has a break, has gone, or the car does not run. */
export const memberOutReason = z.enum(['dropsBack', 'pauses', 'leaves', 'carFault']);
export type MemberOutReason = z.output<typeof memberOutReason>;
export const spacingSaid = z.enum(['closer', 'moreRoom']);
export type SpacingSaid = z.output<typeof spacingSaid>;
export const lapNumber = z.number().int().min(1).max(110);
/** What was noticed of somebody's driving. */
export const marks = z
  .array(
    z.strictObject({
      /** Of the vocabulary. */
      fault: z.string().min(1).max(40),
      /** Name of the corner; everywhere where not given. */
      corner: z.string().min(1).max(60).optional(),
      lap: lapNumber.optional(),
    }),
  )
  .max(40);
/** Where on a car a fault is. */
export const carPlace = z.enum([
  'front',
  'rear',
  'left side',
  'right side',
  'roof and glass',
  'wheels and tyres',
  'brakes',
  'engine and gearbox',
  'cockpit',
  'camera and radio',
]);
export type CarPlace = z.output<typeof carPlace>;
/** How bad: only to be known, to be watched while the car runs on, or the car stands still. */
export const faultSeverity = z.enum(['note', 'watch', 'hold']);
export type FaultSeverity = z.output<typeof faultSeverity>;
export const servicePart = z.enum(['brakes', 'tyres', 'clutch', 'oil', 'other']);
export type ServicePart = z.output<typeof servicePart>;
/** What a guest is ready for next. */
export const readiness = z.enum(['paddles', 'nextLevel', 'notYet']);
export type Readiness = z.output<typeof readiness>;
export const wheelLock = z.enum(['left', 'right']);
export const note = z.string().trim().max(500).optional();
/** A place on the lap, from the start line. */
export const shareOfLap = z.number().min(0).max(1);
