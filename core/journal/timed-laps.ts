import { lapOfDriveS } from '../day';
import { median } from '../values';
import { isSpoiled, type DayContext } from './state/context';
import type { DriveState } from './state/day-state';
import { markOf } from './state/lap-count';

/** One lap of a drive, or several of which only the time together is known, as a crossing between them was not seen. */
export interface TimedLap {
  /** Of the first of them, from 1, the lap out of the pits included. */
  readonly number: number;
  /** How many laps the time is of. */
  readonly laps: number;
  readonly lapS: number;
  readonly spoiled: boolean;
  /** From a standing start: set apart as well. */
  readonly first: boolean;
  /** So long beside the others that somebody stopped, or that a crossing was missed which nobody has told of. */
  readonly long: boolean;
}

/** A lap over this many times the ordinary one of the drive is long. */
const LONG_TIMES = 1.6;

/**
 * The laps of a drive as far as there are times for them: from crossing to crossing that was seen. A crossing that is
 * counted and was not seen has no time, so that the laps before and after it are one stretch.
 */
export function timedLaps(context: DayContext, drive: DriveState): TimedLap[] {
  const laps: Omit<TimedLap, 'long'>[] = [];
  let fromS = drive.releasedS;
  let from = 0;
  drive.crossings.forEach(({ atS, seen }, place) => {
    if (!seen) return;
    if (fromS !== undefined && atS > fromS) {
      const numbers = Array.from({ length: place + 1 - from }, (_, i) => from + 1 + i);
      laps.push({
        number: from + 1,
        laps: numbers.length,
        lapS: atS - fromS,
        spoiled: numbers.some((number) => isSpoiled(context, drive, number)),
        first: from === 0,
      });
    }
    fromS = atS;
    from = place + 1;
  });
  const limitS = LONG_TIMES * ordinaryLapS(context, drive, laps);
  return laps.map((lap) => ({ ...lap, long: lap.lapS / lap.laps > limitS }));
}

/** What a lap of this drive takes: as measured where there is enough to go by, else as the day plans it. */
function ordinaryLapS(
  { day, schedule }: DayContext,
  drive: DriveState,
  laps: readonly Omit<TimedLap, 'long'>[],
): number {
  const car = drive.car === undefined ? undefined : schedule.index.cars.get(drive.car);
  const measured = laps.filter((lap) => lap.laps === 1 && !lap.first && !lap.spoiled);
  const sure = measured.filter(({ number }) => markOf(drive.count, number)?.as !== 'missed');
  // Where the loop suspects a missed crossing in every lap, and often enough, the car is slow.
  const single = (sure.length > 0 || measured.length < 3 ? sure : measured).map(({ lapS }) => lapS);
  if (single.length >= 3 || !car) return single.length > 0 ? median(single) : Infinity;
  const plannedS = lapOfDriveS(day, drive.drive, car, drive.guest, drive.releasedS ?? 0);
  // A car that is slower than planned is not long on each of its laps.
  return single.length === 2 ? Math.max(plannedS, Math.min(...single)) : plannedS;
}
