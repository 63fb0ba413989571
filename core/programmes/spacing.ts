import { ORDINARY_CAR_M, ORDINARY_SPACING, type SpacingPhase } from './ordinary';
import type { FollowProgramme } from './programme';

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
 * Seconds from one car of a train to the next, nose to nose, in the middle between the nearer and the larger distance.
 *
 * @param speedMps of the lap on average
 * @param carM length of a car, metres
 */
export function followS(
  { spacing }: Pick<FollowProgramme, 'spacing'>,
  phase: SpacingPhase,
  speedMps: number,
  carM: number = ORDINARY_CAR_M,
): number {
  const [near, far] = (spacing ?? ORDINARY_SPACING)[phase];
  return (((near + far) / 2 + 1) * carM) / speedMps;
}
