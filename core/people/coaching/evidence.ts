import { around } from '../../track/circuit';
import { fact, type Fact } from '../../values';

/** What positions say of a drive, corner by corner. Positions at 5 Hz are good to a metre or two, and so is this. */

/** Seconds of the day, and metres along the lap from the start line. */
export interface Position {
  readonly atS: number;
  readonly atM: number;
  /** Metres to the left of the centre line, where the tracker tells that. */
  readonly leftM?: number | undefined;
}

/** A corner as it is taught, for this car at this guest's pace. */
export interface TaughtPlace {
  readonly corner: string;
  readonly turns: 'left' | 'right';
  readonly brakeM: number | undefined;
  readonly turnInM: number;
  readonly apexM: number;
  readonly exitM: number;
  readonly slowestKmh: number;
  /** How far the taught line lies to the left of the centre line there. */
  readonly apexLeftM: number;
  /** Nothing where the road is not to be used up: the next turn-in wants another side. */
  readonly exitLeftM: number | undefined;
}

/** What positions show of a corner. */
export type MarkReason =
  | Fact<
      'brakesBeforeCone' | 'brakesPastCone' | 'quickerBeforeApex' | 'outsideAtApex' | 'unusedAtExit' | 'beyondAtExit',
      object,
      { metres: number; within: number }
    >
  | Fact<'slow', object, { kmh: number; wouldDoKmh: number }>;

/** A mark that positions suggest, by the fault of the vocabulary. */
interface ProposedMark {
  readonly fault: string;
  readonly why: MarkReason;
}

export interface Measured {
  readonly value: number;
  /** Standard error of the mean over the laps. */
  readonly within: number;
}

export interface CornerEvidence {
  readonly corner: string;
  readonly laps: number;
  /** Metres before the place where it is taught; less than 0 after it. */
  readonly brakesBeforeM: Measured | undefined;
  readonly entryKmh: Measured;
  readonly slowestKmh: Measured;
  readonly exitKmh: Measured;
  /** Metres before the apex at which it is quicker again; 0 or less where it waits. */
  readonly throttleBeforeApexM: Measured;
  /** Metres outside of the taught line at the apex. */
  readonly wideOfApexM: Measured | undefined;
  /** Metres of the road that are left unused at the exit; less than 0 where it is beyond the taught line. */
  readonly unusedAtExitM: Measured | undefined;
  /** Marks that this suggests, for the instructor to confirm or drop. */
  readonly proposes: readonly ProposedMark[];
}

const STEP_M = 4;
/** Speed is the slope of a line through the positions of so many seconds to either side; it blunts the slowest place. */
const WINDOW_S = 0.5;
/** Where it begins to brake is read off the line through the speeds so far below the fastest, km/h. */
const BRAKING_FROM_KMH = 8;
const BRAKING_TO_KMH = 30;
/** The throttle is open where it is so much faster again than at the slowest place. */
const THROTTLE_KMH = 3;
/** Nobody brakes from further away. */
const FURTHEST_BRAKE_M = 400;
/** Before a corner the car was faster than in it, by more than this below its fastest no further back. */
const OTHER_CORNER_KMH = 15;
/** A lap with a longer gap between two positions is not looked at: what happened in it nobody knows. */
const MOST_GAP_S = 1;
/** From fewer laps nothing is proposed: once may be chance. */
const FEWEST_LAPS = 2;
/** No single position is better than this. */
const POSITION_WITHIN_M = 2;
/** Across the road a receiver errs the same way for minutes, so that more laps do not help. */
const ACROSS_WITHIN_M = 1;

/**
 * Evidence by corner from the positions of a drive. Laps that are not whole, those with gaps, and those that are left out on
 * purpose, are not looked at.
 *
 * @param positions in order of time
 * @param isClean whether a lap counts, by the time at which it began
 */
export function evidenceByCorner(
  positions: readonly Position[],
  lapLengthM: number,
  taught: readonly TaughtPlace[],
  isClean: (fromS: number) => boolean = () => true,
): CornerEvidence[] {
  const profiles = lapsOf(positions, lapLengthM).filter(({ fromS }) => isClean(fromS));
  if (profiles.length === 0) return [];
  return taught.map((place, at) => {
    const [before, after] = [taught.at(at - 1)!, taught[(at + 1) % taught.length]!];
    const seen = profiles.map(({ mps }) => cornerOf(mps, place, before, after, lapLengthM));
    // To the outside of a corner: to the right of one that turns left.
    const outward = place.turns === 'left' ? -1 : 1;
    const across = (atM: number, taughtLeftM: number | undefined, sign: number) => {
      if (taughtLeftM === undefined) return undefined;
      const lefts = profiles.flatMap(({ leftM }) => leftM[around(Math.round(atM / STEP_M), leftM.length)] ?? []);
      const known = lefts.filter((left) => !Number.isNaN(left));
      if (known.length === 0) return undefined;
      const missed = measured(
        known.map((left) => sign * (left - taughtLeftM)),
        ACROSS_WITHIN_M,
      );
      return { ...missed, within: Math.max(missed.within, ACROSS_WITHIN_M) };
    };
    const over = (of: (one: (typeof seen)[number]) => number, least: number) => measured(seen.map(of), least);
    const braked = seen.filter(({ brakeM }) => brakeM !== undefined);
    const brakesBeforeM =
      place.brakeM === undefined || braked.length === 0
        ? undefined
        : measured(
            braked.map(({ brakeM }) => apart(place.brakeM!, brakeM!, lapLengthM)),
            POSITION_WITHIN_M,
          );
    const found = {
      corner: place.corner,
      laps: profiles.length,
      brakesBeforeM,
      entryKmh: over(({ entryKmh }) => entryKmh, 2),
      slowestKmh: over(({ slowestKmh }) => slowestKmh, 2),
      exitKmh: over(({ exitKmh }) => exitKmh, 2),
      throttleBeforeApexM: over(({ quickerM }) => apart(place.apexM, quickerM, lapLengthM), POSITION_WITHIN_M),
      wideOfApexM: across(place.apexM, place.apexLeftM, outward),
      unusedAtExitM: across(place.exitM, place.exitLeftM, -outward),
    };
    return { ...found, proposes: proposals(found, place) };
  });
}

function proposals(
  {
    laps,
    brakesBeforeM,
    slowestKmh,
    throttleBeforeApexM,
    wideOfApexM,
    unusedAtExitM,
  }: Omit<CornerEvidence, 'proposes'>,
  place: TaughtPlace,
): CornerEvidence['proposes'] {
  if (laps < FEWEST_LAPS) return [];
  const sure = ({ value, within }: Measured, least: number) => value > least + 2 * within;
  const list: ProposedMark[] = [];
  const propose = (fault: string, why: MarkReason) => list.push({ fault, why });
  const far = ({ value, within }: Measured) => ({ metres: Math.abs(value), within });
  if (brakesBeforeM && sure(brakesBeforeM, 12)) {
    propose('brakes-early', fact('brakesBeforeCone', {}, far(brakesBeforeM)));
  }
  if (brakesBeforeM && sure({ ...brakesBeforeM, value: -brakesBeforeM.value }, 8)) {
    propose('brakes-late', fact('brakesPastCone', {}, far(brakesBeforeM)));
  }
  if (sure({ value: place.slowestKmh - slowestKmh.value, within: slowestKmh.within }, 0.1 * place.slowestKmh)) {
    propose('brakes-too-long', fact('slow', {}, { kmh: slowestKmh.value, wouldDoKmh: place.slowestKmh }));
  }
  if (sure(throttleBeforeApexM, 8)) {
    propose('throttle-early', fact('quickerBeforeApex', {}, far(throttleBeforeApexM)));
  }
  if (wideOfApexM && sure(wideOfApexM, 0.5)) {
    propose('misses-apex-wide', fact('outsideAtApex', {}, far(wideOfApexM)));
  }
  if (unusedAtExitM && sure(unusedAtExitM, 0.5)) {
    propose('holds-in', fact('unusedAtExit', {}, far(unusedAtExitM)));
  }
  if (unusedAtExitM && sure({ ...unusedAtExitM, value: -unusedAtExitM.value }, 0.5)) {
    propose('runs-wide', fact('beyondAtExit', {}, far(unusedAtExitM)));
  }
  return list;
}

/** How far the first place lies after the second, the short way round. */
function apart(firstM: number, secondM: number, lapLengthM: number): number {
  const way = around(firstM - secondM, lapLengthM);
  return way > lapLengthM / 2 ? way - lapLengthM : way;
}

function measured(values: readonly number[], least: number): Measured {
  const n = values.length;
  const value = values.reduce((sum, one) => sum + one, 0) / n;
  const spread = n > 1 ? Math.sqrt(values.reduce((sum, one) => sum + (one - value) ** 2, 0) / (n - 1)) : least;
  return { value, within: Math.max(spread, least) / Math.sqrt(n) };
}

/** A lap: its speed, and how far left it was (not a number where that is not told), every four metres from the start line. */
interface LapProfile {
  readonly fromS: number;
  readonly mps: Float64Array;
  readonly leftM: Float64Array;
}

/** Whole laps only. */
function lapsOf(positions: readonly Position[], lapLengthM: number): LapProfile[] {
  const reach: { atS: number; m: number; leftM: number }[] = [];
  let laps = 0;
  positions.forEach(({ atS, atM, leftM = NaN }, i) => {
    const before = positions[i - 1];
    if (before && before.atM - atM > lapLengthM / 2) laps += 1;
    const m = laps * lapLengthM + atM;
    if (reach.length === 0 || (m > reach.at(-1)!.m && atS > reach.at(-1)!.atS)) reach.push({ atS, m, leftM });
  });
  const found: LapProfile[] = [];
  const first = Math.ceil((reach[0]?.m ?? 0) / lapLengthM);
  const last = Math.floor((reach.at(-1)?.m ?? 0) / lapLengthM);
  const size = Math.floor(lapLengthM / STEP_M);
  let from = 0;
  for (let lap = first; lap < last; lap++) {
    const mps = new Float64Array(size);
    const leftM = new Float64Array(size);
    let fromS = 0;
    let gapS = 0;
    for (let step = 0; step < size; step++) {
      const wanted = lap * lapLengthM + step * STEP_M;
      while (from < reach.length - 1 && reach[from + 1]!.m < wanted) from += 1;
      gapS = Math.max(gapS, (reach[from + 1] ?? reach[from]!).atS - reach[from]!.atS);
      const centreS = reach[from]!.atS;
      if (step === 0) fromS = centreS;
      mps[step] = slopeAbout(reach, from, centreS);
      leftM[step] = leftBetween(reach[from]!, reach[from + 1] ?? reach[from]!, wanted);
    }
    if (gapS <= MOST_GAP_S) found.push({ fromS, mps, leftM });
  }
  return found;
}

/** How far left it was at a place between two positions. */
function leftBetween(before: { m: number; leftM: number }, after: { m: number; leftM: number }, m: number): number {
  const part = after.m > before.m ? Math.min(1, Math.max(0, (m - before.m) / (after.m - before.m))) : 0;
  return before.leftM + part * (after.leftM - before.leftM);
}

/** Speed about a time: least squares through the positions near it. */
function slopeAbout(reach: readonly { atS: number; m: number }[], at: number, centreS: number): number {
  let [n, st, sm, stt, stm] = [0, 0, 0, 0, 0];
  const take = ({ atS, m }: { atS: number; m: number }) => {
    const t = atS - centreS;
    const d = m - reach[at]!.m;
    n += 1;
    st += t;
    sm += d;
    stt += t * t;
    stm += t * d;
  };
  for (let i = at; i >= 0 && centreS - reach[i]!.atS <= WINDOW_S; i--) take(reach[i]!);
  for (let i = at + 1; i < reach.length && reach[i]!.atS - centreS <= WINDOW_S; i++) take(reach[i]!);
  const below = n * stt - st * st;
  return below > 1e-9 ? (n * stm - st * sm) / below : 0;
}

/**
 * What one lap was like in one corner.
 *
 * @param before the corner before: braking for this one cannot have begun earlier than its apex
 * @param after the corner after: where braking for it begins, this one is over
 */
function cornerOf(mps: Float64Array, place: TaughtPlace, before: TaughtPlace, after: TaughtPlace, lapLengthM: number) {
  const n = mps.length;
  const ahead = (fromM: number, toM: number) => around(toM - fromM, lapLengthM) || lapLengthM;
  const steps = (metres: number) => Math.round(metres / STEP_M);
  const station = (m: number) => around(steps(around(m, lapLengthM)), n);
  const kmh = (i: number) => mps[around(i, n)]! * 3.6;
  const fromM = place.turnInM - Math.min(30, ahead(before.apexM, place.turnInM));
  const from = station(fromM);
  const toM = Math.min(place.exitM + 20 - fromM, ahead(fromM, after.brakeM ?? after.turnInM));
  let slowest = from;
  for (let k = 0; k <= steps(toM); k++) if (kmh(from + k) < kmh(slowest)) slowest = from + k;
  // The last place that is still slow: along an even stretch of a corner the very slowest one is chance.
  let quicker = from + steps(toM);
  while (quicker > slowest && kmh(quicker) >= kmh(slowest) + THROTTLE_KMH) quicker -= 1;
  const backM = Math.min(FURTHEST_BRAKE_M, ahead(before.apexM, around(slowest * STEP_M, lapLengthM)));
  let fastest = slowest;
  for (let k = 1; k <= steps(backM) && kmh(slowest - k) >= kmh(fastest) - OTHER_CORNER_KMH; k++) {
    if (kmh(slowest - k) > kmh(fastest)) fastest = slowest - k;
  }
  const brake = brakingFrom(kmh, fastest, slowest);
  const metres = (i: number) => around(i * STEP_M, lapLengthM);
  return {
    brakeM: brake === undefined ? undefined : metres(brake),
    entryKmh: kmh(station(place.turnInM)),
    slowestKmh: kmh(slowest),
    quickerM: metres(quicker),
    exitKmh: kmh(station(place.exitM)),
  };
}

/** Where braking began, in steps, as the square of the speed falls along a line from there; nothing where it hardly slows. */
function brakingFrom(kmh: (i: number) => number, fastest: number, slowest: number): number | undefined {
  const most = kmh(fastest);
  const deep = Math.min(BRAKING_TO_KMH, 0.7 * (most - kmh(slowest)));
  if (deep <= BRAKING_FROM_KMH) return undefined;
  const below = (by: number) => {
    let i = fastest;
    while (i < slowest && kmh(i) > most - by) i += 1;
    const [before, after] = [kmh(i - 1), kmh(i)];
    return i - 1 + (before > after ? (before - (most - by)) / (before - after) : 1);
  };
  const [first, second] = [below(BRAKING_FROM_KMH), below(deep)];
  const square = (by: number) => (most - by) ** 2;
  const falls = (square(BRAKING_FROM_KMH) - square(deep)) / Math.max(0.1, second - first);
  return first - (most ** 2 - square(BRAKING_FROM_KMH)) / falls;
}
