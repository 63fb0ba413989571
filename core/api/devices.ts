import * as z from 'zod';
import { factOf, type Fact } from '../values';

/** What devices on the circuit send, and what the venue knows of them. `docs/devices.md` describes it for others. */

const id = z.string().regex(/^[a-z0-9-]{1,40}$/, 'expected 1 to 40 small letters, digits or "-"');
const transponder = z.string().min(1).max(64);

const deviceKind = z.enum(['timing', 'tracker']);

/** One line on the wire: a body, when it was made, its number, and the device's signature over the three. */
export const deviceLine = z.strictObject({
  /** Venue time, to the millisecond. */
  time: z
    .string()
    .regex(/^\d{4}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}$/, 'expected YYYY-MM-DDTHH:MM:SS.mmm'),
  /** Rises with each line for the life of the device. */
  seq: z.number().int().min(1).max(Number.MAX_SAFE_INTEGER),
  /** JSON text of a device body. */
  body: z.string().max(10_000),
  /** HMAC-SHA256 of `time`, line feed, `seq`, line feed, `body` under the device's key, in hex. */
  mac: z.string().regex(/^[0-9a-f]{64}$/, 'expected 64 hex digits'),
});
export type DeviceLine = z.output<typeof deviceLine>;

const trackedCar = z.strictObject({
  transponder,
  atM: z.number().min(0).max(30_000),
  /** Less than 0 to the right; left out where the tracker does not know it. */
  leftM: z.number().min(-100).max(100).optional(),
});
export type TrackedCar = z.output<typeof trackedCar>;

export const deviceBody = z.discriminatedUnion('kind', [
  /** A car has crossed the line at the line's time. */
  z.strictObject({ kind: z.literal('crossing'), transponder }),
  /** Where cars are at the line's time: metres along the lap from the start line, and to the left of the centre line. */
  z.strictObject({
    kind: z.literal('positions'),
    cars: z.array(trackedCar).max(200),
  }),
  /** Nothing to tell, and still there. */
  z.strictObject({ kind: z.literal('alive') }),
]);
export type DeviceBody = z.output<typeof deviceBody>;

/** Why a line of a device is refused; `notTaken` in the words of the journal's refusal. */
export type DeviceRefusal =
  | Fact<'notALine' | 'notABody' | 'wrongSignature'>
  | Fact<'sentBefore', object, { seq: number; lastSeq: number }>
  | Fact<'unknownTransponder', { transponder: string }>
  | Fact<'clockAhead', object, { time: string }>
  | Fact<'notTaken', object, { why: string }>;

/** What became of the lines of one request. */
export const deviceReceipt = z.object({
  accepted: z.number().int(),
  refused: z.array(z.object({ line: z.number().int(), reason: z.string(), fact: factOf<DeviceRefusal>() })),
});
export type DeviceReceipt = z.output<typeof deviceReceipt>;

export const newDevice = z.strictObject({ id, name: z.string().trim().min(1).max(100), kind: deviceKind });

export const device = z.object({
  ...newDevice.shape,
  /** Whether it has been heard lately; nothing as long as it has never been. */
  state: z.enum(['never', 'heard', 'silent']),
  /** Real moment of its last good line. */
  heardAt: z.iso.datetime().nullable(),
  accepted: z.number().int(),
  malformed: z.number().int(),
  unsigned: z.number().int(),
  replayed: z.number().int(),
  /** Good lines that the day could not take, such as a crossing of an unknown transponder. */
  unusable: z.number().int(),
  /** Why the last refused line was refused. */
  lastRefusal: z.string().nullable(),
});
export type Device = z.output<typeof device>;

/** Positions as they are streamed to the screens: share of the lap from the start line, by car or sighting vehicle. */
export const livePositions = z.object({
  /** Seconds since the venue's midnight, with fractions. */
  atS: z.number(),
  cars: z.array(z.object({ car: z.string(), place: z.number().min(0).max(1) })),
});
export type LivePositions = z.output<typeof livePositions>;
