/** What is known of the laps of one guest in one car. */
export interface LapEstimate {
  /** Seconds of an ordinary lap. */
  readonly lapS: number;
  /** How far off that may be (standard deviation), seconds. */
  readonly sdS: number;
  /** How much one lap differs from the next (standard deviation), seconds. */
  readonly noiseS: number;
}

/**
 * How far a guest's own pace is from what booking and car say, as a share of the lap (standard deviations): what is the
 * guest's in every car, what is another in each drive, and the two together.
 */
const GUEST_PACE_SD = 0.06;
const DRIVE_PACE_SD = 0.036;
const PACE_SD = Math.hypot(GUEST_PACE_SD, DRIVE_PACE_SD);
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

/** The pace to expect of a guest, as a share of what booking and car say. */
export interface PaceKnown {
  readonly ratio: number;
  /** Standard deviation. */
  readonly sd: number;
}
const NOTHING_KNOWN: PaceKnown = { ratio: 1, sd: PACE_SD };

/** Laps of one drive, and what was expected of them. */
export interface DrivenLaps {
  readonly priorS: number;
  readonly laps: readonly CleanLap[];
}

/** The mean of a drive's laps as shares of what was expected, and how sure it is (1 / variance); 0 without laps. */
function seenIn(
  { priorS, laps }: DrivenLaps,
  firstLapFactor: number,
): { readonly ratio: number; readonly weight: number } {
  let [weight, sum] = [0, 0];
  for (const { lapS, first } of laps) {
    const noise = first ? FIRST_LAP_NOISE : LAP_NOISE;
    weight += 1 / (noise * noise);
    sum += lapS / priorS / (first ? firstLapFactor : 1) / (noise * noise);
  }
  return { ratio: weight > 0 ? sum / weight : 1, weight };
}

/** The pace to expect of a guest in another drive, from those of the day so far. */
export function paceFrom(drives: readonly DrivenLaps[], firstLapFactor: number): PaceKnown {
  let weight = 1 / GUEST_PACE_SD ** 2;
  let sum = weight;
  for (const drive of drives) {
    const seen = seenIn(drive, firstLapFactor);
    if (seen.weight === 0) continue;
    const sure = 1 / (DRIVE_PACE_SD ** 2 + 1 / seen.weight);
    weight += sure;
    sum += seen.ratio * sure;
  }
  return { ratio: sum / weight, sd: Math.hypot(1 / Math.sqrt(weight), DRIVE_PACE_SD) };
}

/**
 * The lap to expect: what car and guest promise, corrected by this drive's own clean laps. A normal prior with normal
 * observations (Gelman et al., *Bayesian Data Analysis*, 2.5): each weighs by how sure it is.
 *
 * @param priorS lap time of the car × pace of the guest × condition, seconds
 * @param firstLapFactor how much slower the lap out of the pits is
 * @param known what earlier drives have shown of the guest
 */
export function estimateLap(
  priorS: number,
  firstLapFactor: number,
  laps: readonly CleanLap[],
  { ratio, sd }: PaceKnown = NOTHING_KNOWN,
): LapEstimate {
  const seen = seenIn({ priorS, laps }, firstLapFactor);
  const prior = 1 / (sd * sd);
  const weight = prior + seen.weight;
  const mean = (prior * ratio + seen.weight * seen.ratio) / weight;
  return { lapS: priorS * mean, sdS: priorS / Math.sqrt(weight), noiseS: priorS * LAP_NOISE };
}
