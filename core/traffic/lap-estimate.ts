/** What is known of the laps of one guest in one car. */
export interface LapEstimate {
  /** Seconds of an ordinary lap. */
  readonly lapS: number;
  /** How far off that may be (standard deviation), seconds. */
  readonly sdS: number;
  /** How much one lap differs from the next (standard deviation), seconds. */
  readonly noiseS: number;
}

/** How far a guest's own pace is from what booking and car say, as a share of the lap (standard deviation). */
export const PACE_SD = 0.07;
/** How much one lap differs from the next, as a share of the lap. */
export const LAP_NOISE = 0.025;
/** The first lap says less of the pace: how much it is held back differs from guest to guest. */
const FIRST_LAP_NOISE = 0.06;

/** A lap that was driven without hindrance. */
export interface CleanLap {
  readonly lapS: number;
  /** The lap out of the pits. */
  readonly first: boolean;
}

/**
 * The lap to expect: what car and guest promise, corrected by this drive's own clean laps. A normal prior with normal
 * observations (Gelman et al., *Bayesian Data Analysis*, 2.5): each weighs by how sure it is.
 *
 * @param priorS lap time of the car × pace of the guest × condition, seconds
 * @param firstLapFactor how much slower the lap out of the pits is
 */
export function estimateLap(priorS: number, firstLapFactor: number, laps: readonly CleanLap[]): LapEstimate {
  let weight = 1 / (PACE_SD * PACE_SD);
  let sum = weight;
  for (const { lapS, first } of laps) {
    const noise = first ? FIRST_LAP_NOISE : LAP_NOISE;
    const ratio = lapS / priorS / (first ? firstLapFactor : 1);
    weight += 1 / (noise * noise);
    sum += ratio / (noise * noise);
  }
  return { lapS: (priorS * sum) / weight, sdS: priorS / Math.sqrt(weight), noiseS: priorS * LAP_NOISE };
}
