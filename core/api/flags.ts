import * as z from 'zod';
import { date } from './endpoint';
import { timeOfDay } from '../day/time';
import { flagKind } from '../journal/entries/parts';

const device = z.strictObject({ who: z.string().trim().min(1).max(100), screen: z.string().max(200) });

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
  /** Screens that have shown it. */
  got: z.array(device),
  /** Screens that are connected. */
  screens: z.number().int().min(0),
});
export type RunningFlag = z.output<typeof runningFlag>;

/** A screen says that it has shown a flag. */
export const gotFlag = z.strictObject({ id: z.string().min(1).max(64), ...device.shape });
