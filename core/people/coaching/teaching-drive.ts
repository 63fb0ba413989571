import * as z from 'zod';

/** What one drive says of the teaching in it. Spoiled laps are set apart, and with them the traffic. */
export const teachingDrive = z.object({
  date: z.iso.date(),
  /** Which drive of the guest's day it was, from 1. */
  nth: z.number().int(),
  /** Laps between the first and the last clean one. */
  span: z.number().int(),
  spoiled: z.number().int(),
  /** Gain from the first to the last clean lap as a share of a lap; more than 0 is quicker. */
  gain: z.number(),
  /** Names of the faults that were marked. */
  faults: z.array(z.string()),
});
export type TeachingDrive = z.output<typeof teachingDrive>;
