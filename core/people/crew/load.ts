import * as z from 'zod';
import type { DayContext, DayState } from '../../journal';

/** What one instructor did on one day. */
export const crewDay = z.object({
  date: z.iso.date(),
  instructor: z.string(),
  laps: z.number().int(),
  drives: z.number().int(),
  /** With guests, from the seat to the debrief. */
  heldS: z.number(),
  /** Hours of the roster, in seconds. */
  thereS: z.number(),
});
export type CrewDay = z.output<typeof crewDay>;

export function crewDaysOf({ day, schedule }: DayContext, state: DayState): CrewDay[] {
  return day.instructors.map((who) => {
    const { id } = who;
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
      thereS: schedule.index.windows(who).reduce((sum, { from, to }) => sum + to - from, 0),
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
  return withFairShare(rows);
}

/** The same over days that are over: laps done, beside the share that is fair by the hours each was there. */
export function crewSharesOver(days: readonly CrewDay[], instructors: readonly string[]): CrewShare[] {
  const rows = instructors.map((instructor) => {
    const own = days.filter((day) => day.instructor === instructor);
    const sum = (of: (day: CrewDay) => number) => own.reduce((total, day) => total + of(day), 0);
    return { instructor, done: sum(({ laps }) => laps), planned: 0, hours: sum(({ thereS }) => thereS) };
  });
  return withFairShare(rows);
}

function withFairShare(rows: readonly (Omit<CrewShare, 'fair'> & { readonly hours: number })[]): CrewShare[] {
  const laps = rows.reduce((sum, { done, planned }) => sum + done + planned, 0);
  const hours = rows.reduce((sum, row) => sum + row.hours, 0);
  return rows.map(({ hours: own, ...row }) => ({ ...row, fair: hours > 0 ? (laps * own) / hours : 0 }));
}
