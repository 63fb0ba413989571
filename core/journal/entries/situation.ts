import * as z from 'zod';
import { timeOfDay } from '../../values';
import { subject, sentence, entryOf, inOrder } from './parts';

/** What changes the day that is planned. */
export const situationSchemas = {
  guestLate: entryOf('guestLate', { guest: subject, expected: timeOfDay }),
  circuitClosed: entryOf('circuitClosed', { from: timeOfDay, to: timeOfDay, reason: sentence }).refine(...inOrder),
  conditionChanged: entryOf('conditionChanged', {
    from: timeOfDay,
    name: z.string().trim().min(1).max(100),
    paceFactor: z.number().min(0.5).max(3),
  }),
  closingMoved: entryOf('closingMoved', { to: timeOfDay }),
  crewHours: entryOf('crewHours', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
  /** An instructor is away from a time on, until the end of the day where nothing else is said. */
  crewAway: entryOf('crewAway', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
  runningLate: entryOf('runningLate', { minutes: z.number().int().min(1).max(180) }),
};
