import { layOut, type Day, type Plan, type Schedule } from '../day';
import { lapsDone, type DriveState } from './day-state';

/** What the journal is read against. Make it once a plan, not once a state. */
export interface DayContext {
  readonly day: Day;
  readonly schedule: Schedule;
}

export function dayContext(day: Day, plan: Plan): DayContext {
  return { day, schedule: layOut(day, plan) };
}

/** Laps done of laps due, as the day's custom counts them. */
export function progressOf({ day }: DayContext, drive: DriveState): { readonly done: number; readonly due: number } {
  return { done: lapsDone(drive, day.rules.outLapCounts !== false), due: drive.drive.laps + drive.extraLaps };
}
