import * as z from 'zod';
import { entryOf, subject } from './parts';

/** What is counted of each guest on the oval, by steps of throttle, and at the stations of a low-grip course. */
export const exercisesSchemas = {
  /** A guest is off: in this car, in this lane of the pit. */
  turnBegan: entryOf('turnBegan', {
    group: subject,
    guest: subject,
    car: subject,
    lane: z.string().trim().min(1).max(20).optional(),
  }),
  turnLapCounted: entryOf('turnLapCounted', { group: subject, guest: subject }),
  /** The step that is allowed from now on, and what the spotter has seen of the one before. */
  stepSet: entryOf('stepSet', {
    group: subject,
    guest: subject,
    /** Place in the programme's steps, from 0. */
    step: z.number().int().min(0).max(9),
    line: z.boolean(),
    smooth: z.boolean(),
    answers: z.boolean(),
  }),
  turnEnded: entryOf('turnEnded', { group: subject, guest: subject, brakes: z.boolean() }),
  stationRun: entryOf('stationRun', {
    group: subject,
    guest: subject,
    station: z.string().min(1).max(200),
    passed: z.boolean(),
    spins: z.number().int().min(0).max(50),
    stops: z.number().int().min(0).max(50),
  }),
  /** The gate of a station is opened to a guest who has not passed all before it. */
  stationOpened: entryOf('stationOpened', {
    group: subject,
    guest: subject,
    station: z.string().min(1).max(200),
    reason: z.string().trim().min(1).max(200),
  }),
};
