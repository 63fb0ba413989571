import * as z from 'zod';
import { gearbox } from '../day/day-file';
import { eventTime, timeOfDay } from '../day/time';

/**
 * What happened, one entry each. The client gives the id, so that sending an entry twice does nothing twice; `at` is the
 * venue's time of the event day at which it happened, past 24:00 where the day runs past midnight; `by` is who says so.
 */

const subject = z.string().min(1).max(64);
const sentence = z.string().trim().min(1).max(500);
const common = {
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

const entryOf = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...shape });

/** A stretch of the day that ends before it begins is none, whoever enters it. */
const inOrder = [
  ({ from, to }: { readonly from: number; readonly to: number }) => from < to,
  { message: 'expected "from" to be before "to"', path: ['from'] as PropertyKey[] },
] as const;

export const lapSource = z.enum(['hand', 'loop']);
export const breakKind = z.enum(['rest', 'meal', 'off']);
export const flagKind = z.enum(['green', 'caution', 'stop']);
export type FlagKind = z.output<typeof flagKind>;
/** What a flag is called. */
export const FLAG_WORDS: Record<FlagKind, string> = { green: 'Green', caution: 'Caution', stop: 'All-stop' };
export const breakOffReason = z.enum(['unwell', 'fault', 'spin', 'contact', 'weather', 'other']);
export type BreakOffReason = z.output<typeof breakOffReason>;
const lapNumber = z.number().int().min(1).max(110);
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
const note = z.string().trim().max(500).optional();
/** A place on the lap, from the start line. */
const shareOfLap = z.number().min(0).max(1);

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
  /** The guest's recording card: handed out at the desk, or handed in, last of all. */
  entryOf('recordingMoved', { guest: subject, to: z.enum(['guest', 'desk']) }),
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
  /**
   * The drive ends early; the laps left are owed to the guest. The car rolls in where nothing else is said; one that
   * stands is on the circuit, at its place, until somebody enters that it is in.
   */
  entryOf('brokenOff', {
    drive: subject,
    reason: breakOffReason,
    note: z.string().max(500).optional(),
    stands: z
      .strictObject({
        /** Clear of the road; else it stands in the way. */
        safe: z.boolean(),
        place: shareOfLap.optional(),
      })
      .optional(),
  }),
  /**
   * What a guest says of the laps owed from a drive that was broken off: not before a time, or not today; in which cars;
   * and the place that was taken for them. The last word holds.
   */
  entryOf('owedAgreed', {
    drive: subject,
    notBefore: timeOfDay.optional(),
    notToday: z.boolean().optional(),
    cars: z.array(subject).min(1).max(100).optional(),
    place: z.strictObject({ release: timeOfDay, car: subject, instructor: subject }).optional(),
  }),
  /** As entered by earlier versions: laps owed from a drive that was broken off are driven in another one. */
  entryOf('lapsMadeUp', { drive: subject, in: subject }),
  entryOf('broughtIn', { drive: subject }),
  entryOf('parked', { drive: subject }),
  entryOf('debriefed', { drive: subject }),
  /** What an instructor noticed; several of one drive add up. */
  entryOf('driveMarked', {
    drive: subject,
    marks: z
      .array(
        z.strictObject({
          /** Of the vocabulary. */
          fault: z.string().min(1).max(40),
          /** Name of the corner; everywhere where not given. */
          corner: z.string().min(1).max(60).optional(),
          lap: lapNumber.optional(),
        }),
      )
      .max(40),
    good: z.string().trim().min(1).max(100).optional(),
    ready: readiness.optional(),
    /** What the guest said of it. */
    account: note,
    favourite: subject.optional(),
    /** Gearbox as driven; `fromLap`: switched on that lap. */
    gearbox: z.strictObject({ driven: gearbox, fromLap: lapNumber.optional() }).optional(),
    note,
  }),
  /** The instructor has read the card of the drive to come. */
  entryOf('handoverSeen', { drive: subject }),
  // Cars
  entryOf('carHeld', { car: subject, reason: sentence, backAt: timeOfDay.optional() }),
  entryOf('carReady', { car: subject }),
  entryOf('refuelBegan', { car: subject }),
  entryOf('refuelEnded', { car: subject }),
  /** `withinL`: how far off the reading may be, for a gauge that only shows quarters. */
  entryOf('fuelRead', {
    car: subject,
    litres: z.number().min(0).max(500),
    withinL: z.number().min(0).max(100).optional(),
  }),
  // The garage
  entryOf('carStalled', { car: subject, stall: z.number().int().min(1).max(999), lock: wheelLock.optional() }),
  entryOf('cardMoved', { car: subject, card: z.enum(['in', 'out']), charged: z.boolean() }),
  /** Cars that were there when somebody went round with the sheet. */
  entryOf('carsCounted', { cars: z.array(subject).max(200) }),
  entryOf('walkRoundDone', {
    car: subject,
    when: z.enum(['start', 'end']),
    items: z.array(z.string().min(1).max(100)).max(30),
  }),
  entryOf('faultFound', {
    car: subject,
    where: carPlace,
    what: sentence,
    severity: faultSeverity,
    /** Id of a picture that was sent before. */
    photo: subject.optional(),
  }),
  entryOf('faultMended', { fault: common.id, note }),
  entryOf('serviced', { car: subject, what: servicePart, note }),
  // Cones
  entryOf('conesChecked', { cones: z.array(z.string().min(1).max(100)).min(1).max(500) }),
  entryOf('coneDoubted', { cone: z.string().min(1).max(100), note }),
  // Questions to a class
  entryOf('answersCounted', {
    instructor: subject,
    question: z.string().min(1).max(200),
    /** Hands for each answer, in the order of the answers. */
    hands: z.array(z.number().int().min(0).max(200)).min(2).max(6),
    /** Place of the right answer. */
    right: z.number().int().min(0).max(5),
  }),
  // Crew
  entryOf('breakBegan', { instructor: subject, what: breakKind }),
  entryOf('crewBack', { instructor: subject }),
  // What changes the day that is planned
  entryOf('guestLate', { guest: subject, expected: timeOfDay }),
  entryOf('circuitClosed', { from: timeOfDay, to: timeOfDay, reason: sentence }).refine(...inOrder),
  entryOf('conditionChanged', {
    from: timeOfDay,
    name: z.string().trim().min(1).max(100),
    paceFactor: z.number().min(0.5).max(3),
  }),
  entryOf('closingMoved', { to: timeOfDay }),
  entryOf('crewHours', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
  /** An instructor is away from a time on, until the end of the day where nothing else is said. */
  entryOf('crewAway', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
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
    place: shareOfLap.optional(),
    unhurt: z.boolean(),
    followUp: z.string().trim().max(500).optional(),
  }),
  // The day itself
  /** The day is over: everybody is in, and the figures are settled. Taken back, it goes on. */
  entryOf('dayClosed', {}),
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
