import * as z from 'zod';
import { CREW_STATIONS } from '../live/practice';

export const crewStation = z.enum(CREW_STATIONS);
export const crewPost = z.strictObject({ station: crewStation, instructor: z.string().min(1).max(64).optional() });
export const crewSeed = z.number().int().min(0).max(999_999);

/** The simulated crew of a practice day: what it plays, and what people have taken over. */
export const practiceStatus = z.object({
  /** Whether the crew is there and today is a day that it may play. */
  there: z.boolean(),
  /** Of chance: the same seed and the same doings give the same day. */
  seed: crewSeed,
  /** Stations at which it does nothing until they are switched on again. */
  off: z.array(crewStation),
  /** What people have taken over for a while. */
  taken: z.array(
    z.object({
      post: crewPost,
      by: z.string(),
      /** The last entry by which it was taken over. */
      entry: z.string(),
      /** Real seconds until it is given back by itself. */
      secondsLeft: z.number().min(0),
    }),
  ),
});
export type PracticeStatus = z.output<typeof practiceStatus>;
