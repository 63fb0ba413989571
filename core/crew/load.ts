import * as z from 'zod';
import type { DayContext, DayState } from '../journal';

/** What one instructor did on one day. */
export const crewDay = z.object({
  date: z.iso.date(),
  instructor: z.string(),
  laps: z.number().int(),
  drives: z.number().int(),
  /** With guests, from the seat to the debrief. */
  heldS: z.number(),
});
export type CrewDay = z.output<typeof crewDay>;

export function crewDaysOf({ day }: DayContext, state: DayState): CrewDay[] {
  return day.instructors.map(({ id }) => {
    const own = [...state.drives.values()].filter((drive) => drive.instructor === id && drive.releasedS !== undefined);
    return {
      date: day.date,
      instructor: id,
      laps: own.reduce((sum, { crossings }) => sum + crossings.length, 0),
      drives: own.length,
      heldS: own.reduce((sum, { seatedS, debriefedS, parkedS }) => {
        const endS = debriefedS ?? parkedS;
        return endS === undefined || seatedS === undefined ? sum : sum + endS - seatedS;
      }, 0),
    };
  });
}

/** One instructor's share of the work. */
export interface CrewShare {
  readonly instructor: string;
  readonly done: number;
  readonly planned: number;
  /** Of all laps, by the hours this one is there. */
  readonly fair: number;
}

/** Laps done and still planned today, beside the share that would be fair by the hours each is there. */
export function crewSharesOf({ day, schedule }: DayContext, state: DayState): CrewShare[] {
  const rows = day.instructors.map((who) => {
    const done = state.crew.get(who.id)?.laps ?? 0;
    const planned = schedule.drives
      .filter(
        ({ planned: { drive, instructor } }) => instructor === who.id && state.drives.get(drive)?.stage === 'planned',
      )
      .reduce((sum, { lapsDriven }) => sum + lapsDriven, 0);
    const hours = schedule.index.windows(who).reduce((sum, { from, to }) => sum + to - from, 0);
    return { instructor: who.id, done, planned, hours };
  });
  const laps = rows.reduce((sum, { done, planned }) => sum + done + planned, 0);
  const hours = rows.reduce((sum, row) => sum + row.hours, 0);
  return rows.map(({ hours: own, ...row }) => ({ ...row, fair: hours > 0 ? (laps * own) / hours : 0 }));
}

/** Cars that only one of the crew may teach in: a day without that one is a day without the car. */
export function soleHolders({ day }: DayContext): { readonly car: string; readonly instructor: string }[] {
  return day.cars.flatMap((car) => {
    const may = day.instructors.filter(({ cars }) => cars === 'all' || cars.includes(car.id));
    return may.length === 1 ? [{ car: car.id, instructor: may[0]!.id }] : [];
  });
}
