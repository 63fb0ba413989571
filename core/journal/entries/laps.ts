import * as z from 'zod';
import { subject, sentence, entryOf, lapSource, lapNumber } from './parts';

/** Laps, and how they were. */
export const lapsSchemas = {
  /** A tap of somebody who counts. */
  lapCounted: entryOf('lapCounted', { drive: subject, source: lapSource }),
  /** The timing loop saw a car or sighting vehicle, `ms` thousandths after `at`. */
  lineCrossed: entryOf('lineCrossed', { car: subject, ms: z.number().int().min(0).max(999) }),
  /** Somebody has decided how many crossings of the line there were. */
  lapsSettled: entryOf('lapsSettled', {
    drive: subject,
    crossings: z.number().int().min(0).max(110),
    why: sentence.optional(),
  }),
  lapSpoiled: entryOf('lapSpoiled', { drive: subject, lap: lapNumber, reason: sentence }),
  /** The instructor had to brake or steer. */
  intervened: entryOf('intervened', { drive: subject, lap: lapNumber, corner: subject.optional() }),
};
