import * as z from 'zod';
import { readiness } from '../../journal';
import { levelReached } from './levels';
import type { GuestResult } from './results';

/** What a guest did on an earlier day, as far as the next instructor and the guest want to know it. */
export const dayBefore = z.object({
  date: z.iso.date(),
  guest: z.string(),
  name: z.string(),
  /** Somebody has said that it is the same person; else it follows from e-mail, or name and birthday. */
  linked: z.boolean(),
  drives: z.array(
    z.object({
      car: z.string(),
      instructor: z.string(),
      laps: z.number().int(),
      bestS: z.number().nullable(),
      index: z.number().nullable(),
      /** Standard error of the index, and the gain within the drive with what it may be off by. */
      indexWithin: z.number().nullable(),
      gainS: z.number().nullable(),
      gainWithinS: z.number().nullable(),
      faults: z.array(z.string()),
      good: z.array(z.string()),
    }),
  ),
  oneThing: z.string().nullable(),
  ready: readiness.nullable(),
  reached: z.array(levelReached),
});
export type DayBefore = z.output<typeof dayBefore>;

/** How much slower the first drive of a new day is expected than the last one was. */
const FIRST_DRIVE_BACK = 1.04;

export function dayBeforeOf(date: string, result: GuestResult, linked: boolean): DayBefore {
  return {
    date,
    guest: result.guest.id,
    name: result.guest.name,
    linked,
    drives: result.drives.map(({ car, instructor, analysis, index, seen, good }) => ({
      car,
      instructor,
      laps: analysis.driven,
      bestS: analysis.bestS ?? null,
      index: index?.index ?? null,
      indexWithin: index?.within ?? null,
      gainS: analysis.gainS ?? null,
      gainWithinS: analysis.gainWithinS ?? null,
      faults: seen.map(({ fault }) => fault.name),
      good: [...good],
    })),
    oneThing: result.oneThing?.fault.name ?? null,
    ready: result.drives.flatMap(({ drive }) => drive.marked).findLast(({ ready }) => ready)?.ready ?? null,
    reached: [...result.reached],
  };
}

/** The pace that the first drive of a new day should be expected at: the last index, a little slower. */
export function paceFromBefore(days: readonly DayBefore[]): number | undefined {
  const last = days[0]?.drives.findLast(({ index }) => index !== null)?.index;
  return last ? FIRST_DRIVE_BACK / last : undefined;
}
