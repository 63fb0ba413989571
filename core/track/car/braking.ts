import { around, type DrivenLine, type TaughtCorner } from '../circuit';
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

/** Braking that takes less road than this is none. */
const LEAST_BRAKING_M = 6;

/**
 * The braking before a corner, as stations of the lap's line: from the first braking after the car was fastest between the
 * slowest place of the taught corner before and that of this one, however many phases it has, to the last of it. Nothing
 * where nobody brakes.
 *
 * @param before the taught corner before; this one itself where it is the only one
 */
export function brakingBefore(
  lap: Lap,
  taught: TaughtCorner,
  before: TaughtCorner,
): { from: number; to: number } | undefined {
  const { speedMps, brake, line } = lap;
  const n = speedMps.length;
  const slowest = slowestIn(lap, taught);
  const span = (slowest - slowestIn(lap, before) + n) % n || n;
  const back = (k: number) => (slowest - k + n) % n;
  let fastest = 0;
  for (let k = 1; k < span; k++) if (speedMps[back(k)]! > speedMps[back(fastest)]!) fastest = k;
  const braked = Array.from({ length: fastest + 1 }, (_, k) => k).filter((k) => brake[back(k)]! >= BRAKING);
  const [last, first] = [braked[0], braked.at(-1)];
  if (last === undefined || first === undefined || (first - last + 1) * line.stepM < LEAST_BRAKING_M) return undefined;
  return { from: back(first), to: back(last) };
}

/** How braking is taught: finished in a straight line, or trailed off into the turn. */
export type BrakingCustom = 'straight' | 'trailed';

/**
 * Where a guest brakes and lets go. The model brakes into the turn; where braking is to be finished in a straight line,
 * it begins sooner: from where the speed driven there comes down to that of the corner by the turn-in, yet not before the
 * corner before is left.
 *
 * A place to let go that is quicker than that to brake has no place to brake of its own: the brake is carried there out of
 * the corner before.
 *
 * @param before the taught corner before
 */
export function taughtBraking(
  lap: Lap,
  taught: TaughtCorner,
  custom: BrakingCustom,
  before: TaughtCorner,
): TaughtBraking | undefined {
  const found = foundBraking(lap, taught, custom, before);
  return found && { ...found, carried: lap.speedMps[found.from]! < lap.speedMps[found.to]! };
}

/** Where a guest brakes and lets go, as stations of the lap's line. */
export interface TaughtBraking {
  readonly from: number;
  readonly to: number;
  readonly carried: boolean;
}

function foundBraking(
  lap: Lap,
  taught: TaughtCorner,
  custom: BrakingCustom,
  before: TaughtCorner,
): { from: number; to: number } | undefined {
  const braking = brakingBefore(lap, taught, before);
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
  const first = stationOn(line, before.exitM);
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
