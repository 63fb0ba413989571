import * as z from 'zod';
import { moneyAmount, timeOfDay } from '../../values';
import { gearbox } from '../../day';
import {
  subject,
  entryOf,
  breakOffReason,
  extraLapReason,
  lapNumber,
  marks,
  readiness,
  note,
  shareOfLap,
} from './parts';

/** A drive from the seat to the debrief, and what is owed from it. */
export const drivesSchemas = {
  seated: entryOf('seated', { drive: subject, car: subject, instructor: subject }),
  unseated: entryOf('unseated', { drive: subject }),
  lastCheckDone: entryOf('lastCheckDone', {
    drive: subject,
    items: z.array(z.string().min(1).max(100)).min(1).max(20),
  }),
  released: entryOf('released', { drive: subject }),
  /** Given by the marshal, or sold for a price at the desk. */
  extraLapGranted: entryOf('extraLapGranted', { drive: subject, price: moneyAmount.optional() }),
  /** The instructor asks the marshal for one more lap; it is granted by `extraLapGranted`. */
  extraLapAsked: entryOf('extraLapAsked', { drive: subject, reason: extraLapReason }),
  extraLapRefused: entryOf('extraLapRefused', { drive: subject }),
  /**
   * The drive ends early; the laps left are owed to the guest. The car rolls in where nothing else is said; one that
   * stands is on the circuit, at its place, until somebody enters that it is in.
   */
  brokenOff: entryOf('brokenOff', {
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
  owedAgreed: entryOf('owedAgreed', {
    drive: subject,
    notBefore: timeOfDay.optional(),
    notToday: z.boolean().optional(),
    cars: z.array(subject).min(1).max(100).optional(),
    place: z.strictObject({ release: timeOfDay, car: subject, instructor: subject }).optional(),
  }),
  /** As entered by earlier versions: laps owed from a drive that was broken off are driven in another one. */
  lapsMadeUp: entryOf('lapsMadeUp', { drive: subject, in: subject }),
  broughtIn: entryOf('broughtIn', { drive: subject }),
  parked: entryOf('parked', { drive: subject }),
  debriefed: entryOf('debriefed', { drive: subject }),
  /** What an instructor noticed; several of one drive add up. */
  driveMarked: entryOf('driveMarked', {
    drive: subject,
    marks,
    good: z.string().trim().min(1).max(100).optional(),
    ready: readiness.optional(),
    /** What the guest said of it. */
    account: note,
    favourite: subject.optional(),
    /** Gearbox as driven; `fromLap`: switched on that lap. */
    gearbox: z.strictObject({ driven: gearbox, fromLap: lapNumber.optional() }).optional(),
    note,
  }),
  /** Lines of the talk in the car that have been said, by their ids. */
  talkTicked: entryOf('talkTicked', {
    drive: subject,
    lines: z.array(z.string().min(1).max(100)).min(1).max(60),
  }),
  /** The instructor has read the card of the drive to come. */
  handoverSeen: entryOf('handoverSeen', { drive: subject }),
};
