import { traitsOf } from '../../programmes';
import { slowestLapS } from '../../day';
import { isSpoiled, lapEstimateOf, progressOf, type DayContext } from '../state/context';
import type { DayState, DriveState } from '../state/day-state';
import { carsInOrder, type GroupState } from '../state/group-state';
import { agreedCrossings, markOf, report, SAME_SHARE, type LapSource } from '../state/lap-count';
import { changeCar, changeCrew } from './changing';

/** A crossing of the line, by one of the two counts. */
export function crossed(
  context: DayContext,
  state: DayState,
  drive: DriveState,
  source: LapSource,
  atS: number,
  by: string,
): void {
  // Beside the pit lane, where the drive has ended before the line.
  if (context.day.circuit.endsBeforeLine && drive.stage === 'rollingIn') return;
  const hindered = isSpoiled(context, drive, drive.crossings.length + 1);
  const { lapS } = lapEstimateOf(context, drive);
  report(drive.count, { atS, source, by }, { lapS, sinceS: drive.releasedS ?? atS, hindered });
  countUpTo(context, state, drive, agreedCrossings(drive.count), atS);
}

/** Brings the crossings that hold to a number, with what a lap puts on car and instructor. */
export function countUpTo(
  context: DayContext,
  state: DayState,
  drive: DriveState,
  crossings: number,
  nowS: number,
): void {
  const change = crossings - drive.crossings.length;
  if (change === 0) return;
  for (let number = drive.crossings.length + 1; number <= crossings; number++) {
    const mark = markOf(drive.count, number);
    const beforeS = drive.crossings.at(-1)?.atS ?? drive.releasedS ?? -Infinity;
    const seen = mark !== undefined && mark.atS > beforeS;
    drive.crossings.push({ atS: seen ? mark.atS : nowS, source: mark?.source ?? 'hand', seen });
  }
  drive.crossings.length = crossings;
  changeCar(state, drive.car, (car) => {
    car.laps += change;
    car.lapsSinceRest += change;
  });
  changeCrew(state, drive.instructor, (crew) => (crew.laps += change));
  if (change > 0 && drive.stage === 'onCircuit') spoilUnderFlag(context, state, drive);
}

/**
 * Where the way in lies before the line, the lap on which a car comes in ends there: it counts, and has no time, as nobody
 * sees it cross the line. What a loop beside the pit lane reports after that is no further lap.
 */
export function endAtWayIn(context: DayContext, state: DayState, drive: DriveState, nowS: number): void {
  if (!context.day.circuit.endsBeforeLine || drive.stage !== 'onCircuit') return;
  const { done, due } = progressOf(context, drive);
  if (done < due) countUpTo(context, state, drive, drive.crossings.length + 1, nowS);
}

/** A lap under a flag is spoiled, whoever was at fault. */
export function spoilUnderFlag({ day }: DayContext, { flag }: DayState, drive: DriveState): void {
  if (flag.flag === 'green') return;
  const lap = drive.crossings.length + (day.rules.outLapCounts === false ? 0 : 1);
  const last = drive.drive.laps + drive.extraLaps;
  if (lap >= 1 && lap <= last && !drive.spoiled.has(lap)) {
    drive.spoiled.set(lap, flag.flag === 'stop' ? 'all-stop' : 'caution');
    if (day.rules.flagLapsGranted) drive.extraLaps += 1;
  }
}

/** The loop saw a car of a train: its leader counts the laps, and the first car's crossings stand beside that count. */
export function trainSeen({ day, schedule }: DayContext, train: GroupState, car: string, atS: number): void {
  const { group, seen, releasedS } = train;
  if (!traitsOf(group).ownCars || carsInOrder(train)[0] !== car) return;
  const lapS = slowestLapS(day, schedule.index, group, releasedS ?? atS);
  if (atS - (seen.at(-1) ?? -Infinity) >= SAME_SHARE * lapS) seen.push(atS);
}
