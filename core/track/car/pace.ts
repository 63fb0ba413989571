import { MOST_FACTOR } from './shares';

const WITHIN = 1e-5;
const SLOWEST_FACTOR = 0.02;
/** The lap falls about with this power of the factor. */
const POWER = 2.6;

/**
 * The factor on a good guest's shares with which a lap takes so many times as long. The logarithm of the lap is nearly
 * straight over that of the factor, so that regula falsi within a bracket finds it in a few laps.
 *
 * @param pace wanted, not 1
 * @param timeOver time of the lap with a factor, as a share of that of a good guest; infinite where it cannot be driven
 * @returns nothing where no factor gives this pace
 */
export function factorFor(pace: number, timeOver: (factor: number) => number): number | undefined {
  const off = (factor: number) => Math.log(timeOver(factor) / pace);
  let low = pace > 1 ? Math.max(SLOWEST_FACTOR, pace ** -POWER) : 1;
  let high = pace > 1 ? 1 : MOST_FACTOR;
  let [atLow, atHigh] = pace > 1 ? [off(low), -Math.log(pace)] : [-Math.log(pace), off(MOST_FACTOR)];
  if (atHigh > 0) return undefined;
  while (atLow < 0 && low > SLOWEST_FACTOR) {
    [high, atHigh] = [low, atLow];
    low = Math.max(SLOWEST_FACTOR, low / 2);
    atLow = off(low);
  }
  if (atLow < 0) return undefined;
  for (let turn = 0; turn < 60 && high / low > 1 + 1e-9; turn++) {
    const share = Number.isFinite(atLow) ? atLow / (atLow - atHigh) : 0.5;
    // Never quite at an end, so that the bracket shrinks from both sides.
    const factor = Math.exp(Math.log(low) + Math.min(0.95, Math.max(0.05, share)) * Math.log(high / low));
    const at = off(factor);
    if (Math.abs(at) < WITHIN) return factor;
    if (at > 0) [low, atLow] = [factor, at];
    else [high, atHigh] = [factor, at];
  }
  // What is left is a jump: slower than this the car does not get up a hill.
  return undefined;
}
