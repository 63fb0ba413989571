import * as z from 'zod';
import { circuitMap } from '../track/circuit/at-start';
import { faultEntry } from '../people/coaching/at-start';
import { dayFile, planFile } from '../day';
import { recordedEntry } from '../journal';
import { calendar, gateCustoms, liveCustoms, ORDINARY_GATE, ORDINARY_LIVE, pitExitCustoms } from '../venue/settings';
import { booking, storedGroup } from './setup';
import { planRevision } from './planning';
import { dataIssue } from './data-issues';

export const daySummary = z.object({
  date: z.iso.date(),
  bookings: z.number().int(),
  drives: z.number().int(),
  revision: z.number().int().nullable(),
  /** Made-up guests: a simulated crew may play it, and it counts nowhere. */
  practice: z.boolean(),
  /** Made by the venue's calendar, and gone with it as long as nothing is on it. */
  byCalendar: z.boolean(),
});
export type DaySummary = z.output<typeof daySummary>;

/** The venue's clock: where it stood at a moment of real time, and how fast it runs. */
export const clock = z.object({
  date: z.iso.date(),
  /** Seconds since the venue's midnight at the moment of the reply, with fractions. */
  secondsOfDay: z.number().min(0),
  /** Venue seconds a real second; 0 while paused. */
  rate: z.number().min(0).max(60),
  /** Whether people may pause, speed up and set it. */
  adjustable: z.boolean(),
});
export type ClockReading = z.output<typeof clock>;

/** Everything a screen needs to show a day. */
export const dayView = z.object({
  day: dayFile,
  bookings: z.array(booking),
  /** Groups as they are set up, with their versions. */
  groups: z.array(storedGroup).default([]),
  /** Code of the venue's currency. */
  currency: z.string(),
  /** Of the venue's weeks; Monday is 1. */
  weekStartsOn: calendar.shape.weekStartsOn.default(1),
  carNumbers: z.record(z.string(), z.number().int()),
  /** The colour of each car that has one, as it is drawn. */
  carColours: z.record(z.string(), z.string()).default({}),
  /** Id of the picture of each car that has one. */
  carPhotos: z.record(z.string(), z.string()).default({}),
  /** Of a lap in each car that has a price, in the venue's currency. */
  lapPrices: z.record(z.string(), z.number()).default({}),
  /** The stall of each car that has one. */
  stalls: z.record(z.string(), z.number().int()),
  pitExit: pitExitCustoms,
  live: liveCustoms.default(ORDINARY_LIVE),
  gate: gateCustoms.default(ORDINARY_GATE),
  map: circuitMap.nullable(),
  /** What the venue has put into the vocabulary of faults. */
  faults: z.array(faultEntry),
  plan: planFile.nullable(),
  revision: planRevision.nullable(),
  journal: z.array(recordedEntry),
  /** Of a train, from car to car: closer is warned about, seconds. */
  closestFollowS: z.number().default(0),
  /** What is at fault in the day, each with its place and what puts it right. Older copies on devices are without. */
  dataIssues: z.array(dataIssue).default([]),
  clock,
});
export type DayView = z.output<typeof dayView>;
