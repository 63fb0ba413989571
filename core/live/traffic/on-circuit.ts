import { firstLapFactorOf, paceFactorAt } from '../../day';
import { lapEstimateOf, type DayContext, type DayState, type DriveState, estimateLap } from '../../journal';
import type { LapShape } from './lap-shape';
import { crossesInS, offAfter, progressAt, type Runner } from './runner';
import { trainRunners } from './trains';

/** Where a tracker has seen a car: share of the lap's length. */
export interface TrackedPosition {
  readonly car: string;
  readonly place: number;
  readonly atS: number;
}

/** An older position says less than the crossings do. */
const POSITION_HOLDS_S = 4;

/** Crossings of the line that a drive is to make. */
export function crossingsDue({ day }: DayContext, drive: DriveState): number {
  return drive.drive.laps + drive.extraLaps + (day.rules.outLapCounts === false ? 1 : 0);
}

/** The vehicles on the circuit, in the order in which they come past the start line next. */
export function runnersOf(
  context: DayContext,
  state: DayState,
  shape: LapShape,
  positions: readonly TrackedPosition[] = [],
): Runner[] {
  const nowS = state.timeS;
  const runners: Runner[] = [];
  for (const drive of state.drives.values()) {
    if (drive.stage !== 'onCircuit') continue;
    const lap = lapEstimateOf(context, drive);
    const firstLapFactor = firstLapFactorOf(context.day, drive.drive);
    const progress = progressAt(nowS, drive.releasedS ?? nowS, drive.crossings, lap.lapS, firstLapFactor, shape);
    const tracked = positions.find(({ car, atS }) => car === drive.car && Math.abs(nowS - atS) <= POSITION_HOLDS_S);
    const seen = tracked ? trackedProgress(progress, tracked, nowS, lap.lapS, shape) : progress;
    const due = crossingsDue(context, drive);
    const off = offAfter(Math.max(due, drive.crossings.length), shape);
    runners.push({
      id: drive.drive.id,
      kind: 'drive',
      vehicle: drive.car ?? '',
      fromS: nowS,
      progress: seen,
      lap,
      firstLapFactor,
      off: off > seen ? off : offAfter(Math.floor(seen) + 1, shape),
    });
  }
  for (const [id, run] of state.sightings) {
    const vehicle = context.schedule.index.vehicles.get(id);
    if (!vehicle) continue;
    const lap = estimateLap(vehicle.lapTimeS * paceFactorAt(context.day, run.sinceS), 1, []);
    const crossings = run.crossings.map((atS) => ({ atS }));
    const progress = progressAt(nowS, run.sinceS, crossings, lap.lapS, 1, shape);
    const off = offAfter(Math.max(context.day.rules.sighting.laps, crossings.length), shape);
    runners.push({
      id,
      kind: 'sighting',
      vehicle: id,
      fromS: nowS,
      progress,
      lap,
      firstLapFactor: 1,
      off: off > progress ? off : progress + 0.2,
    });
  }
  runners.push(...trainRunners(context, state, shape));
  return runners.sort((a, b) => crossesInS(a) - crossesInS(b));
}

/** The progress nearest to the computed one at which the car is where the tracker saw it. */
function trackedProgress(computed: number, seen: TrackedPosition, nowS: number, lapS: number, shape: LapShape): number {
  const share = shape.timeAt(seen.place) + (nowS - seen.atS) / lapS;
  return Math.max(0, share + Math.round(computed - share));
}
