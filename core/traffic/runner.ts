import { CIRCUIT, firstLapFactorOf, paceFactorAt, slowestLapS } from '../day';
import { lapEstimateOf, type DayContext, type DayState, type DriveState } from '../journal';
import { estimateLap, type LapEstimate } from './lap-estimate';
import type { LapShape } from './lap-shape';

/** A vehicle on the circuit, as the traffic model sees it from one moment on. */
export interface Runner {
  /** Drive, sighting vehicle, or a car of a train. */
  readonly id: string;
  readonly kind: 'drive' | 'sighting' | 'train';
  /** Id of the car or sighting vehicle. */
  readonly vehicle: string;
  /** Moment from which `progress` counts, seconds since midnight. */
  readonly fromS: number;
  /** Laps of time since the start line, at `fromS`; see `LapShape`. */
  readonly progress: number;
  readonly lap: LapEstimate;
  /** How much longer the lap out of the pits takes, up to progress 1. */
  readonly firstLapFactor: number;
  /** Progress at which it comes off. */
  readonly off: number;
}

/** Where a tracker has seen a car: share of the lap's length. */
export interface TrackedPosition {
  readonly car: string;
  readonly place: number;
  readonly atS: number;
}

/** An older position says less than the crossings do. */
const POSITION_HOLDS_S = 4;
/** A car that has not crossed the line by then is overdue: it stands there, or the crossing was missed. */
const OVERDUE_LAPS = 0.35;
/** Just short of the line, where an expected crossing has not come yet. */
const BEFORE_LINE = 0.995;

/** Progress at which a drive of so many crossings comes off: at the way in that is nearest to its last crossing. */
export function offAfter(crossings: number, { pitEntry }: LapShape): number {
  return pitEntry > 0.5 ? crossings - 1 + pitEntry : crossings + pitEntry;
}

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

/** Seconds between two cars of a train, at the ordinary spacing of one that has found its step. */
const IN_TRAIN_S = 1.5;

/** Every car of the trains that are out, the leader in front: all as quick as the slowest of their guests. */
function trainRunners({ day, schedule: { index } }: DayContext, state: DayState, shape: LapShape): Runner[] {
  return [...state.groups.values()].flatMap(({ group, stage, leadCar, members, order, laps, releasedS }) => {
    if (stage !== 'out' || group.surface !== CIRCUIT || group.programme.kind !== 'follow') return [];
    const outS = releasedS ?? state.timeS;
    const { warmUpLaps, laps: atPace, coolDownLaps, gentleFactor } = group.programme;
    const paceS = slowestLapS(day, index, group, outS);
    const gentle = laps.length < warmUpLaps || laps.length >= warmUpLaps + atPace;
    const lap = estimateLap(paceS * (gentle ? gentleFactor : 1), 1, []);
    const inOrder = order.flatMap((guest) => members.get(guest)?.car ?? []);
    const all = [...(leadCar === undefined ? [] : [leadCar]), ...inOrder, ...(group.staffCars ?? [])];
    const crossings = laps.map(({ atS }) => ({ atS }));
    const front = progressAt(state.timeS, outS, crossings, lap.lapS, 1, shape);
    const off = offAfter(Math.max(warmUpLaps + atPace + coolDownLaps, laps.length), shape);
    return all.map((vehicle, place): Runner => {
      const progress = Math.max(0, front - (place * IN_TRAIN_S) / lap.lapS);
      const id = `${group.id} ${place}`;
      return {
        id,
        kind: 'train',
        vehicle,
        fromS: state.timeS,
        progress,
        lap,
        firstLapFactor: 1,
        off: Math.max(off, progress + 0.2),
      };
    });
  });
}

function progressAt(
  nowS: number,
  releasedS: number,
  crossings: readonly { readonly atS: number }[],
  lapS: number,
  firstLapFactor: number,
  shape: LapShape,
): number {
  const last = crossings.at(-1);
  const base = last ? crossings.length : shape.pitExit;
  const sinceS = nowS - (last?.atS ?? releasedS);
  const progress = base + Math.max(0, sinceS) / (lapS * (last ? 1 : firstLapFactor));
  const line = Math.floor(base) + 1;
  if (progress < line) return progress;
  return progress < line + OVERDUE_LAPS ? line - 1 + BEFORE_LINE : progress;
}

/** The progress nearest to the computed one at which the car is where the tracker saw it. */
function trackedProgress(computed: number, seen: TrackedPosition, nowS: number, lapS: number, shape: LapShape): number {
  const share = shape.timeAt(seen.place) + (nowS - seen.atS) / lapS;
  return Math.max(0, share + Math.round(computed - share));
}

/** Progress at a time from `fromS` on. */
export function progressOfRunner({ fromS, progress, lap: { lapS }, firstLapFactor }: Runner, atS: number): number {
  const goneS = atS - fromS;
  if (progress >= 1) return progress + goneS / lapS;
  const firstEndsS = (1 - progress) * lapS * firstLapFactor;
  return goneS <= firstEndsS ? progress + goneS / (lapS * firstLapFactor) : 1 + (goneS - firstEndsS) / lapS;
}

/** When a progress is reached, seconds since midnight; never before `fromS`. */
export function reachedS({ fromS, progress, lap: { lapS }, firstLapFactor }: Runner, target: number): number {
  if (target <= progress) return fromS;
  const inFirst = Math.max(0, Math.min(1, target) - progress);
  return fromS + inFirst * lapS * firstLapFactor + (target - Math.max(progress, Math.min(1, target))) * lapS;
}

/** Seconds until it comes past the start line next. */
export function crossesInS(runner: Runner): number {
  return reachedS(runner, Math.floor(runner.progress) + 1) - runner.fromS;
}
