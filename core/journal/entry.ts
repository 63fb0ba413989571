import * as z from 'zod';
import { timeOfDay } from '../day/time';

/**
 * What happened, one entry each. The client gives the id, so that sending an entry twice does nothing twice; `at` is the
 * venue's time of day at which it happened; `by` is who says so.
 */

const subject = z.string().min(1).max(64);
const sentence = z.string().trim().min(1).max(500);
const common = {
  id: z.string().regex(/^[A-Za-z0-9_-]{8,64}$/, 'expected an id of 8 to 64 letters, digits, "-" or "_"'),
  at: timeOfDay,
  by: z.string().trim().min(1).max(100),
  /** Entered while the server could not be reached: it has happened, whatever others entered meanwhile. */
  offline: z.literal(true).optional(),
};

const entryOf = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...shape });

export const lapSource = z.enum(['hand', 'loop']);
export const breakKind = z.enum(['rest', 'meal', 'off']);
export const flagKind = z.enum(['green', 'caution', 'stop']);
export type FlagKind = z.output<typeof flagKind>;
/** What a flag is called. */
export const FLAG_WORDS: Record<FlagKind, string> = { green: 'Green', caution: 'Caution', stop: 'All-stop' };
export const breakOffReason = z.enum(['unwell', 'fault', 'spin', 'contact', 'weather', 'other']);
export type BreakOffReason = z.output<typeof breakOffReason>;
const lapNumber = z.number().int().min(1).max(110);

export const journalEntry = z.discriminatedUnion('kind', [
  // The guest's way through the venue
  entryOf('guestArrived', { guest: subject }),
  entryOf('waiverSigned', { guest: subject }),
  entryOf('licenceSeen', { guest: subject }),
  entryOf('helmetFitted', { guest: subject, size: z.string().max(10).optional() }),
  entryOf('guestNoShow', { guest: subject }),
  entryOf('guestLeft', { guest: subject }),
  entryOf('guestUnwell', { guest: subject, note: z.string().max(500).optional() }),
  entryOf('guestWell', { guest: subject }),
  entryOf('deskDone', { guest: subject }),
  // Class and sighting run
  entryOf('classBegan', { instructor: subject, guests: z.array(subject).min(1) }),
  entryOf('classEnded', { instructor: subject, guests: z.array(subject) }),
  entryOf('sightingBegan', { vehicle: subject, instructor: subject, guests: z.array(subject).min(1) }),
  entryOf('sightingEnded', { vehicle: subject }),
  // The drive
  entryOf('seated', { drive: subject, car: subject, instructor: subject }),
  entryOf('unseated', { drive: subject }),
  entryOf('lastCheckDone', { drive: subject, items: z.array(z.string().min(1).max(100)).min(1).max(20) }),
  entryOf('released', { drive: subject }),
  /** A tap of somebody who counts. */
  entryOf('lapCounted', { drive: subject, source: lapSource }),
  /** The timing loop saw a car or sighting vehicle, `ms` thousandths after `at`. */
  entryOf('lineCrossed', { car: subject, ms: z.number().int().min(0).max(999) }),
  /** Somebody has decided how many crossings of the line there were. */
  entryOf('lapsSettled', { drive: subject, crossings: z.number().int().min(0).max(110) }),
  entryOf('lapSpoiled', { drive: subject, lap: lapNumber, reason: sentence }),
  /** The instructor had to brake or steer. */
  entryOf('intervened', { drive: subject, lap: lapNumber, corner: subject.optional() }),
  entryOf('extraLapGranted', { drive: subject }),
  /** The drive ends early; the laps left are owed to the guest. */
  entryOf('brokenOff', { drive: subject, reason: breakOffReason, note: z.string().max(500).optional() }),
  /** Laps owed from a drive that was broken off are driven in another one. */
  entryOf('lapsMadeUp', { drive: subject, in: subject }),
  entryOf('broughtIn', { drive: subject }),
  entryOf('parked', { drive: subject }),
  entryOf('debriefed', { drive: subject }),
  // Cars
  entryOf('carHeld', { car: subject, reason: sentence, backAt: timeOfDay.optional() }),
  entryOf('carReady', { car: subject }),
  entryOf('refuelBegan', { car: subject }),
  entryOf('refuelEnded', { car: subject }),
  entryOf('fuelRead', { car: subject, litres: z.number().min(0).max(500) }),
  // Crew
  entryOf('breakBegan', { instructor: subject, what: breakKind }),
  entryOf('crewBack', { instructor: subject }),
  // What changes the day that is planned
  entryOf('guestLate', { guest: subject, expected: timeOfDay }),
  entryOf('circuitClosed', { from: timeOfDay, to: timeOfDay, reason: sentence }),
  entryOf('conditionChanged', {
    from: timeOfDay,
    name: z.string().trim().min(1).max(100),
    paceFactor: z.number().min(0.5).max(3),
  }),
  entryOf('closingMoved', { to: timeOfDay }),
  entryOf('crewHours', { instructor: subject, from: timeOfDay, to: timeOfDay }),
  entryOf('runningLate', { minutes: z.number().int().min(1).max(180) }),
  // Flags and incidents
  entryOf('flagCalled', { flag: flagKind, reason: z.string().trim().max(200).optional() }),
  /** Why the flag that stands was called, told once there was time. */
  entryOf('flagExplained', { reason: z.string().trim().min(1).max(200) }),
  /** After an all-stop somebody has seen that the circuit is clear: the first of two steps to green. */
  entryOf('circuitCleared', {}),
  entryOf('incident', {
    what: sentence,
    cars: z.array(subject).max(20),
    /** Where on the lap, as a share of its length from the start line. */
    place: z.number().min(0).max(1).optional(),
    unhurt: z.boolean(),
    followUp: z.string().trim().max(500).optional(),
  }),
  // The day itself
  entryOf('planAccepted', { revision: z.number().int().min(1) }),
  entryOf('noteTaken', { text: sentence, guest: subject.optional() }),
  entryOf('correction', { corrects: common.id, reason: z.string().max(500).optional() }),
]);

/** An entry inside the core: times in seconds since midnight. */
export type JournalEntry = z.output<typeof journalEntry>;
export type EntryKind = JournalEntry['kind'];
export type EntryOf<K extends EntryKind> = Extract<JournalEntry, { kind: K }>;

/** An entry that the server has appended. */
export const recordedEntry = z.object({
  /** Place in the day's journal, from 1 without gaps. */
  seq: z.number().int().min(1),
  recordedAt: z.iso.datetime(),
  entry: journalEntry,
});
export type RecordedEntry = z.output<typeof recordedEntry>;
