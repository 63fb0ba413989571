import { ORDINARY_CAR_M, ORDINARY_SPACING, type FollowProgramme, type SpacingPhase } from './programme';

/** Distances in a train, as they are said (lengths of a car) and as they are (metres, seconds). */
export interface Spacing {
  readonly phase: SpacingPhase;
  /** Lengths of a car, from and to. */
  readonly lengths: readonly [number, number];
  readonly metres: readonly [number, number];
  /** The larger distance at the slowest place of the lap, and the smaller one at the fastest. */
  readonly slowestS: number;
  readonly fastestS: number;
  /** From the nose of the leader to the tail of the last car, at the larger distance. */
  readonly trainM: number;
}

/** Speeds at the slowest and the fastest place of the lap, m/s; both above 0. */
export interface LapSpeeds {
  readonly slowestMps: number;
  readonly fastestMps: number;
}

/**
 * What a distance in lengths of a car is at this circuit.
 *
 * @param vehicles of the train, with the leader's
 * @param carM length of a car, metres
 */
export function spacingOf(
  { spacing }: Pick<FollowProgramme, 'spacing'>,
  phase: SpacingPhase,
  vehicles: number,
  { slowestMps, fastestMps }: LapSpeeds,
  carM: number = ORDINARY_CAR_M,
): Spacing {
  const lengths = (spacing ?? ORDINARY_SPACING)[phase];
  const [near, far] = [lengths[0] * carM, lengths[1] * carM];
  return {
    phase,
    lengths,
    metres: [near, far],
    slowestS: far / slowestMps,
    fastestS: near / fastestMps,
    trainM: vehicles * carM + (vehicles - 1) * far,
  };
}

/**
 * How many trains like this fit on a lap beside each other without one coming up to the next: each takes as long as it needs to
 * come past a place, and as much time again as lies between two releases.
 *
 * @param lapS seconds of a lap of the train
 * @param trainS seconds from its first to its last car
 * @param gapS least seconds between two releases
 * @param most vehicles that may be on the circuit, and how many a train has
 */
export function trainsBeside(
  { lapS, trainS, gapS }: { readonly lapS: number; readonly trainS: number; readonly gapS: number },
  most: { readonly onCircuit: number; readonly ofTrain: number },
): { readonly trains: number; readonly singlesBeside: number } {
  const byRoad = Math.floor(lapS / Math.max(1, trainS + gapS));
  const trains = Math.max(0, Math.min(byRoad, Math.floor(most.onCircuit / most.ofTrain)));
  return { trains, singlesBeside: Math.max(0, most.onCircuit - trains * most.ofTrain) };
}
