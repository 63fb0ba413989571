import { paceFactorAt, type SightingOccupancy } from '../../day';
import {
  circuitShut,
  lapEstimateOf,
  standingOnCircuit,
  type DayContext,
  type DayState,
  type DriveState,
  estimateLap,
} from '../../journal';
import type { ReleaseLimits, Waiting } from './release-advice';
import { crossingsDue } from './on-circuit';
import { groupsOutS } from './trains';

/**
 * What the venue allows now, for so many that wait.
 *
 * @param state at the time that is asked about
 */
export function exitLimits(context: DayContext, state: DayState, queue: number): ReleaseLimits {
  const releases = [
    ...[...state.drives.values()].map(({ releasedS }) => releasedS ?? -Infinity),
    ...[...state.sightings.values()].map(({ sinceS }) => sinceS),
    ...state.shown.map(({ sinceS }) => sinceS),
    // Of a train the last car is what the next one keeps its distance to.
    ...groupsOutS(context, state),
  ];
  const { rules } = context.day;
  return {
    nowS: state.timeS,
    releaseGapS: rules.releaseGapS,
    lastReleaseS: Math.max(...releases, -Infinity),
    // A car that stands there takes its place.
    maxCarsOnTrack: Math.max(0, rules.maxCarsOnTrack - standingOnCircuit(state).length),
    firstLapFactor: rules.firstLapFactor ?? 1,
    shut: (atS) => circuitShut({ ...state, timeS: atS }, context),
    queue,
  };
}

/** A drive that waits to be let out. */
export function waitingDrive(context: DayContext, drive: DriveState, slackS: number): Waiting {
  const [lap, crossings] = [lapEstimateOf(context, drive), crossingsDue(context, drive)];
  return { id: drive.drive.id, kind: 'drive', vehicle: drive.car ?? '', lap, crossings, slackS };
}

/** A sighting run that waits to be let out. */
export function waitingRun({ day }: DayContext, run: SightingOccupancy, nowS: number, slackS: number): Waiting {
  const { vehicle } = run.sighting;
  const lap = estimateLap((run.vehicle?.lapTimeS ?? DEFAULT_LAP_S) * paceFactorAt(day, nowS), 1, []);
  return { id: vehicle, kind: 'sighting', vehicle, lap, crossings: day.rules.sighting.laps, slackS };
}

/** Of a vehicle that the day does not know. */
const DEFAULT_LAP_S = 120;
