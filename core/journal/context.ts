import { driveLapS, layOut, type Day, type Plan, type Schedule } from '../day';
import { estimateLap, type CleanLap, type LapEstimate } from '../traffic/lap-estimate';
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

/** Whether lap 1, 2, … by the day's custom, or the lap out of the pits that does not count (0), was hindered. */
export function isSpoiled({ day }: DayContext, drive: DriveState, crossing: number): boolean {
  return drive.spoiled.has(crossing - (day.rules.outLapCounts === false ? 1 : 0));
}

/** The lap to expect of a drive in its car, from car and guest and from the clean laps of this drive. */
export function lapEstimateOf(context: DayContext, drive: DriveState): LapEstimate {
  const { day, schedule } = context;
  const car = drive.car === undefined ? undefined : schedule.index.cars.get(drive.car);
  const priorS = car ? driveLapS(day, car, drive.guest, drive.releasedS ?? drive.seatedS ?? 0) : DEFAULT_LAP_S;
  const laps: CleanLap[] = [];
  let fromS = drive.releasedS;
  drive.crossings.forEach(({ atS, seen }, place) => {
    const begun = place === 0 || drive.crossings[place - 1]!.seen;
    const lapS = fromS === undefined || !begun || !seen ? 0 : atS - fromS;
    // Far off the expected, it is a miscount or a lap with a stop rather than a pace.
    const plausible = lapS > 0.6 * priorS && lapS < 1.5 * priorS;
    if (plausible && !isSpoiled(context, drive, place + 1)) laps.push({ lapS, first: place === 0 });
    fromS = atS;
  });
  return estimateLap(priorS, day.rules.firstLapFactor ?? 1, laps);
}

/** Of a car that the day no longer knows. */
const DEFAULT_LAP_S = 90;
