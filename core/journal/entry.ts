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
};

const entryOf = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...shape });

export const lapSource = z.enum(['hand', 'loop']);
export const breakKind = z.enum(['rest', 'meal', 'off']);

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
  entryOf('released', { drive: subject }),
  entryOf('lapCounted', { drive: subject, source: lapSource }),
  entryOf('lapSpoiled', { drive: subject, lap: z.number().int().min(1).max(110), reason: sentence }),
  entryOf('extraLapGranted', { drive: subject }),
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
