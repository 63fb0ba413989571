import * as z from 'zod';
import { subject, sentence, entryOf, flagKind, shareOfLap } from './parts';

/** Flags and incidents. */
export const flagsSchemas = {
  flagCalled: entryOf('flagCalled', { flag: flagKind, reason: z.string().trim().max(200).optional() }),
  /** Why the flag that stands was called, told once there was time. */
  flagExplained: entryOf('flagExplained', { reason: z.string().trim().min(1).max(200) }),
  /** After an all-stop somebody has seen that the circuit is clear: the first of two steps to green. */
  circuitCleared: entryOf('circuitCleared', {}),
  incident: entryOf('incident', {
    what: sentence,
    cars: z.array(subject).max(20),
    /** Where on the lap, as a share of its length from the start line. */
    place: shareOfLap.optional(),
    unhurt: z.boolean(),
    followUp: z.string().trim().max(500).optional(),
  }),
};
