import {
  CIRCUIT,
  type FollowProgramme,
  followS,
  type Group,
  lapsInAll,
  programmeOf,
  spacingPhase,
  vehiclesOf,
} from '../../programmes';
import { paceFactorAt, slowestLapS, type Day } from '../../day';
import {
  carsInOrder,
  carsTaken,
  type DayContext,
  type DayState,
  type GroupState,
  estimateLap,
  LAP_NOISE,
  type LapEstimate,
} from '../../journal';
import { median } from '../../values';
import type { LapShape } from './lap-shape';
import { expectedPasses } from './meetings';
import type { Waiting } from './release-advice';
import { offAfter, progressAt, type Runner } from './runner';

/** Trains on the circuit and at the exit: several cars that are one thing, the leader in front. */

/** A train with its programme. */
interface Train {
  readonly train: GroupState;
  readonly programme: FollowProgramme;
}

/** The groups behind a leader on the circuit that are at a stage. */
export function trainsAt({ groups }: DayState, stage: GroupState['stage']): Train[] {
  return [...groups.values()].flatMap((train): Train[] => {
    const programme = programmeOf('train', train.group.programme);
    return train.stage === stage && train.group.surface === CIRCUIT && programme ? [{ train, programme }] : [];
  });
}

/** Every car of the trains that are out: all as quick as the slowest of their guests. */
export function trainRunners({ day, schedule: { index } }: DayContext, state: DayState, shape: LapShape): Runner[] {
  return trainsAt(state, 'out').flatMap(({ train, programme }) => {
    const { group, laps, releasedS } = train;
    const outS = releasedS ?? state.timeS;
    const phase = spacingPhase(programme, laps.length);
    const gentle = laps.length < programme.warmUpLaps || phase === 'coolDown';
    const lapS = slowestLapS(day, index, group, outS) * (gentle ? programme.gentleFactor : 1);
    const lap = estimateLap(lapS, 1, []);
    const crossings = laps.map(({ atS }) => ({ atS }));
    const front = progressAt(state.timeS, outS, crossings, lap.lapS, 1, shape);
    const off = offAfter(Math.max(lapsInAll(programme), laps.length), shape);
    const apartS = followS(programme, phase, day.circuit.lapLengthM / lapS);
    return carsInOrder(train).map((vehicle, place): Runner => {
      const progress = Math.max(0, front - (place * apartS) / lap.lapS);
      const of = { id: `${group.id} ${place}`, kind: 'train', vehicle, fromS: state.timeS, progress } as const;
      return { ...of, lap, firstLapFactor: 1, off: Math.max(off, progress + 0.2) };
    });
  });
}

/** Seconds from one car to the next as a train goes out: at its gentle pace. */
function apartAtStartS({ circuit }: Day, programme: FollowProgramme, paceS: number): number {
  return followS(programme, 'start', circuit.lapLengthM / (paceS * programme.gentleFactor));
}

/** A train that waits to be let out, as one thing: on average over its quick and its gentle laps. */
export function waitingTrain(
  { day, schedule: { index } }: DayContext,
  { train, programme }: Train,
  nowS: number,
  slackS: number,
): Waiting {
  const paceS = slowestLapS(day, index, train.group, nowS);
  const { laps, gentleFactor } = programme;
  const all = lapsInAll(programme);
  const lap = estimateLap((paceS * (laps + (all - laps) * gentleFactor)) / all, 1, []);
  const cars = carsInOrder(train);
  const of = { id: train.group.id, kind: 'train', vehicle: cars[0] ?? '', lap, crossings: all, slackS } as const;
  return { ...of, behind: { cars: cars.length - 1, apartS: apartAtStartS(day, programme, paceS) } };
}

/** When the last car of each group that was let out onto the circuit was out; of a train its cars go one after the other. */
export function groupsOutS({ day, schedule: { index } }: DayContext, { groups }: DayState): number[] {
  return [...groups.values()].flatMap((train) => {
    const { group, releasedS } = train;
    if (releasedS === undefined || group.surface !== CIRCUIT) return [];
    const programme = programmeOf('train', group.programme);
    if (!programme) return releasedS;
    const paceS = slowestLapS(day, index, group, releasedS);
    return releasedS + (carsTaken(train).length - 1) * apartAtStartS(day, programme, paceS);
  });
}

/** How many trains like one fit on the circuit, and what a single car meets beside them. */
export interface TrainsBeside {
  readonly trains: number;
  readonly singlesBeside: number;
  /** Cars of trains that a single car passes or is passed by over its laps; nothing where the day has no single cars. */
  readonly meets: { readonly cars: number; readonly laps: number } | undefined;
}

/** Two trains that come up to each other more often than this over their laps do not fit. */
const COMES_UP = 0.5;

/**
 * How many trains like this fit on the circuit beside each other, by the traffic model: spread evenly over the lap, as far from
 * each other as releases are, and not one coming up to the next over all its laps. Their leaders hold one pace, so that only
 * one lap differs from the next.
 *
 * @param lapS seconds of a lap at pace; above 0
 */
export function trainsBeside(day: Day, group: Group, programme: FollowProgramme, lapS: number): TrainsBeside {
  const { maxCarsOnTrack, releaseGapS } = day.rules;
  const vehicles = vehiclesOf(group);
  const apartS = followS(programme, 'start', day.circuit.lapLengthM / lapS);
  const held: LapEstimate = { lapS, sdS: 0, noiseS: lapS * LAP_NOISE };
  const off = 1 + lapsInAll(programme);
  const car = (progress: number): Runner => ({
    ...{ id: String(progress), kind: 'train', vehicle: '', fromS: 0, progress, lap: held, firstLapFactor: 1, off },
  });
  const trainShare = ((vehicles - 1) * apartS) / lapS;
  const fits = (trains: number) => {
    const room = 1 / trains - trainShare;
    return room * lapS >= releaseGapS && (trains === 1 || expectedPasses(car(1), car(1 + room)) < COMES_UP);
  };
  let trains = Math.floor(maxCarsOnTrack / vehicles);
  while (trains > 0 && !fits(trains)) trains -= 1;
  const drives = day.guests.flatMap(({ pace, drives: own }) =>
    own.filter(({ ride }) => !ride).map(({ laps }) => ({ pace, laps })),
  );
  const singlesBeside = Math.max(0, maxCarsOnTrack - trains * vehicles);
  if (trains === 0 || singlesBeside === 0 || drives.length === 0) return { trains, singlesBeside, meets: undefined };
  const laps = Math.round(median(drives.map((drive) => drive.laps)));
  const pace = median(drives.map((drive) => drive.pace)) * median(day.cars.map(({ lapTimeS }) => lapTimeS));
  const from = 1 + 0.5 / trains;
  const single: Runner = {
    ...{ id: 'single', kind: 'drive', vehicle: '', fromS: 0, progress: from, firstLapFactor: 1, off: from + laps },
    lap: estimateLap(pace * paceFactorAt(day, day.opens), 1, []),
  };
  const cars = Array.from({ length: trains * vehicles }, (_, n) => {
    const [train, place] = [Math.floor(n / vehicles), n % vehicles];
    return expectedPasses(single, car(1 + train / trains - (place * apartS) / lapS));
  }).reduce((sum, one) => sum + one, 0);
  return { trains, singlesBeside, meets: { cars: Math.round(cars), laps } };
}
