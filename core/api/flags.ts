import * as z from 'zod';
import { date } from './endpoint';
import { timeOfDay } from '../values';
import { flagKind } from '../journal';

/** An opened page's own id: two screens of one name are two. */
export const page = z.string().min(1).max(64);
const screen = z.strictObject({ who: z.string().trim().min(1).max(100), screen: z.string().max(200) });

/** The flag of the event day that is running, as every open screen of the venue is told, whatever it shows. */
export const runningFlag = z.object({
  date: date.shape.date,
  flag: flagKind,
  /** Of the entry that called it; nothing where none was called yet. */
  id: z.string().nullable(),
  sinceS: timeOfDay,
  by: z.string(),
  reason: z.string().nullable(),
  clearedBy: z.string().nullable(),
  /** How long after it was called the server heard of it, seconds. */
  lateS: z.number().int().min(0),
  /** Those of the connected screens that have shown it. */
  got: z.array(screen),
  /** How many screens are connected. */
  screens: z.number().int().min(0),
});
export type RunningFlag = z.output<typeof runningFlag>;

/** A screen says that it has shown a flag. */
export const gotFlag = z.strictObject({ id: z.string().min(1).max(64), page, ...screen.shape });
