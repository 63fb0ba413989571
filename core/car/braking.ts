import { around } from '../circuit/around';
import type { DrivenLine } from '../circuit/centre-line';
import type { TaughtCorner } from '../circuit/teaching-line';
import type { Lap } from './lap';

/** The station of a driven line that lies at a place of the centre line; whole laps are left out. */
export function stationOn({ centreM, stepM }: DrivenLine, atM: number): number {
  return lastNotAbove(centreM, around(atM, centreM.at(-1)! + stepM));
}

/** The station at which a car is at a time of its lap; whole laps are left out. */
export function stationAtTime({ timeS, lapTimeS }: Pick<Lap, 'timeS' | 'lapTimeS'>, atS: number): number {
  return lastNotAbove(timeS, around(atS, lapTimeS));
}

/** The place of the last of rising values that is not above a value; the first where all are. */
function lastNotAbove(values: Float64Array, value: number): number {
  let [low, high] = [0, values.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (values[middle]! <= value) low = middle;
    else high = middle;
  }
  return low;
}

const BRAKING = 0.03;

/** The braking before a corner: where it begins and ends, as stations of the lap's line; nothing where nobody brakes. */
export function brakingBefore(lap: Lap, taught: TaughtCorner): { from: number; to: number } | undefined {
  const n = lap.speedMps.length;
  const slowest = slowestIn(lap, taught);
  const reach = Math.round(450 / lap.line.stepM);
  let to = 0;
  while (to < reach && lap.brake[(slowest - to + n) % n]! < BRAKING) {
    // Before the braking of this corner comes the throttle of the last: none is needed here.
    if (to * lap.line.stepM > 60 && lap.throttle[(slowest - to + n) % n]! > 0.6) return undefined;
    to += 1;
  }
  if (to >= reach) return undefined;
  let from = to;
  for (let calm = 0; from < reach && calm < 4; from++) {
    calm = lap.brake[(slowest - from + n) % n]! < BRAKING ? calm + 1 : 0;
  }
  const begins = (slowest - from + 4 + n) % n;
  const ends = (slowest - to + n) % n;
  const lengthM = ((ends - begins + n) % n) * lap.line.stepM;
  return lengthM < 6 ? undefined : { from: begins, to: ends };
}

/** How braking is taught: finished in a straight line, or trailed off into the turn. */
export type BrakingCustom = 'straight' | 'trailed';

/**
 * Where a guest brakes and lets go. The model brakes into the turn; where braking is to be finished in a straight line,
 * it begins sooner: from where the speed driven there comes down to that of the corner by the turn-in, yet not before the
 * corner before is left.
 *
 * @param afterM where the corner before is left, along the centre line
 */
export function taughtBraking(
  lap: Lap,
  taught: TaughtCorner,
  custom: BrakingCustom,
  afterM: number,
): { from: number; to: number } | undefined {
  const braking = brakingBefore(lap, taught);
  if (!braking || custom === 'trailed') return braking;
  const { line, speedMps } = lap;
  const n = speedMps.length;
  const ahead = (from: number, to: number) => (to - from + n) % n;
  const turnIn = stationOn(line, taught.turnInM);
  const endsBeforeTurn = ahead(braking.to, turnIn) < n / 2;
  if (endsBeforeTurn) return braking;
  const slow = speedMps[slowestIn(lap, taught)]!;
  const hardest = Math.max(
    ...Array.from({ length: ahead(braking.from, braking.to) }, (_, k) => -lap.alongMps2[(braking.from + k) % n]!),
  );
  const first = stationOn(line, afterM);
  let from = turnIn;
  for (; from !== first; from = (from - 1 + n) % n) {
    const needsM = (speedMps[from]! ** 2 - slow ** 2) / (2 * hardest);
    if (needsM <= ahead(from, turnIn) * line.stepM) break;
  }
  return { from, to: turnIn };
}

/** The slowest station of a corner. */
export function slowestIn(lap: Lap, { turnInM, exitM }: TaughtCorner): number {
  const n = lap.speedMps.length;
  const span = lap.line.lengthM / n;
  const first = stationOn(lap.line, turnInM);
  const stations = Math.round((exitM - turnInM) / span);
  let slowest = first;
  for (let k = 0; k <= stations; k++) {
    const i = (first + k) % n;
    if (lap.speedMps[i]! < lap.speedMps[slowest]!) slowest = i;
  }
  return slowest;
}
