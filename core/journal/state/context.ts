import { firstLapFactorOf, lapOfDriveS, layOut, type Day, type Plan, type Schedule } from '../../day';
import {
  estimateLap,
  paceFrom,
  type CleanLap,
  type DrivenLaps,
  type LapEstimate,
  type PaceKnown,
} from './lap-estimate';
import { lapsDone, type DriveState } from './day-state';

/** What the journal is read against. Make it once a plan, not once a state. */
export interface DayContext {
  readonly day: Day;
  /** The plan in force: as it was accepted, with the times that have slid since. */
  readonly schedule: Schedule;
  /** The plan as it was accepted: nothing begins before its times. */
  readonly accepted: Schedule;
  /** The same with the slides to which somebody has agreed: what slides by itself is measured from here. */
  readonly agreed: Plan;
}

/** Plans of one day, of which only times differ. */
interface Rescheduled {
  readonly accepted: Plan;
  readonly agreed: Plan;
}

/** @param before what the plan was before its times slid, where they have */
export function dayContext(day: Day, plan: Plan, before: Rescheduled = { accepted: plan, agreed: plan }): DayContext {
  const schedule = layOut(day, plan);
  const { accepted, agreed } = before;
  const same = accepted === plan;
  return { day, schedule, accepted: same ? schedule : layOut(day, accepted, undefined, schedule.index), agreed };
}

/** What a lap is estimated by. */
type Cars = Pick<DayContext, 'day'> & { readonly schedule: Pick<Schedule, 'index'> };

/** Laps done of laps due, as the day's custom counts them. */
export function progressOf(
  { day }: Pick<DayContext, 'day'>,
  drive: DriveState,
): { readonly done: number; readonly due: number } {
  return { done: lapsDone(drive, day.rules.outLapCounts !== false), due: drive.drive.laps + drive.extraLaps };
}

/** Whether lap 1, 2, … by the day's custom, or the lap out of the pits that does not count (0), was hindered. */
export function isSpoiled({ day }: Pick<DayContext, 'day'>, drive: DriveState, crossing: number): boolean {
  return drive.spoiled.has(crossing - (day.rules.outLapCounts === false ? 1 : 0));
}

/** The lap to expect of a drive in its car, from car and guest and from the clean laps of this drive and those before. */
export function lapEstimateOf(context: Cars, drive: DriveState): LapEstimate {
  const { priorS, laps } = drivenLapsOf(context, drive);
  return estimateLap(priorS, firstLapFactorOf(context.day, drive.drive), laps, drive.paceKnown);
}

/** What the drives of a guest so far have shown of the pace; nothing where there are none. */
export function paceKnownOf(context: Cars, drives: Iterable<DriveState>, guest: string): PaceKnown | undefined {
  const own = [...drives].filter(
    ({ guest: { id }, crossings, drive }) => id === guest && crossings.length > 0 && !drive.ride,
  );
  if (own.length === 0) return undefined;
  const driven = own.map((drive) => drivenLapsOf(context, drive));
  return paceFrom(driven, context.day.rules.firstLapFactor ?? 1);
}

function drivenLapsOf(context: Cars, drive: DriveState): DrivenLaps {
  const { day, schedule } = context;
  const car = drive.car === undefined ? undefined : schedule.index.cars.get(drive.car);
  const releasedS = drive.releasedS ?? drive.seatedS ?? 0;
  const priorS = car ? lapOfDriveS(day, drive.drive, car, drive.guest, releasedS) : DEFAULT_LAP_S;
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
  return { priorS, laps };
}

/** Of a car that the day no longer knows. */
const DEFAULT_LAP_S = 90;

/**
 * When a drive that is on the circuit comes in, as far as can be seen: the laps that are left at the pace of those that
 * were driven, and never before now.
 */
export function comesInS(context: Cars, drive: DriveState, nowS: number): number {
  const { done, due } = progressOf(context, drive);
  const { lapS } = lapEstimateOf(context, drive);
  const last = drive.crossings.at(-1);
  const fromS = last?.atS ?? drive.releasedS ?? nowS;
  // Before the first crossing it is the lap out of the pits that takes longer, and where it does not count it comes on top.
  const outS = last ? 0 : lapS * ((context.day.rules.firstLapFactor ?? 1) - 1);
  const more = !last && context.day.rules.outLapCounts === false ? 1 : 0;
  return Math.max(nowS, Math.round(fromS + outS + (Math.max(0, due - done) + more) * lapS));
}
