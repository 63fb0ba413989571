import { around } from './around';
import { corridorOf, minimumCurvature, type Pull } from './minimum-curvature';
import { cornersOf, type Corner } from './corners';
import { stationAt, type CentreLine, type DrivenLine } from './centre-line';
import type { ApexStyle, NamedCorner } from './circuit-file';

/** The places of one corner on the teaching line; distances along the centre line, metres (they may pass the lap's length). */
export interface TaughtCorner {
  readonly corner: Corner;
  /** Its name and its lore, where the venue has written them. */
  readonly named: NamedCorner | undefined;
  readonly apex: ApexStyle;
  readonly turnInM: number;
  /** One, or two where the corner is a double apex. */
  readonly apexesM: readonly number[];
  readonly exitM: number;
  /** Whether the car comes out on the other side than the one from which the next corner is turned into. */
  readonly exitFree: boolean;
}

/** Where the apex lies, as a share of the way from entry to exit. */
const APEX_SHARES: Record<ApexStyle, readonly number[]> = {
  early: [0.4],
  middle: [0.5],
  late: [0.6],
  double: [0.3, 0.68],
};
/** The turn-in lies so far before the place where the racing line begins to bend, at most. */
const MOST_LEAD_M = 8;
/** The exit lies so far behind the place where it is straight again, at most: a car has to get across first. */
const MOST_TAIL_M = 30;
/** Beside the half of the car and what the racing line keeps: guests need more. */
const TAUGHT_MARGIN_M = 0.5;
/** A straight shorter than this does not let a car cross to the other side of the road and settle. */
const SHORT_STRAIGHT_M = 70;
/** Bends wider than this are driven along without a turn-in of their own. */
const WIDEST_TAUGHT_M = 200;
const LEAST_ANGLE_DEG = 18;
/** Bends to the same side with less than this between them are taught as one corner. */
const ONE_CORNER_M = 40;
/** How strongly the line is drawn to the places of a corner. */
const APEX_WEIGHT = 0.05;
const OUTSIDE_WEIGHT = 0.01;

/**
 * The corners that are taught, with the places of their turn-in, apex and exit. Where a corner begins and ends is read
 * off the racing line, which is straight where the road merely swings. Late apexes where the book is silent.
 */
export function taughtCorners(centre: CentreLine, racing: DrivenLine, named: readonly NamedCorner[]): TaughtCorner[] {
  const corners = joined(cornersOf(racing), racing.lengthM)
    .filter(({ radiusM, angleDeg }) => radiusM < WIDEST_TAUGHT_M && angleDeg > LEAST_ANGLE_DEG)
    .map((corner, index) => ({ ...alongCentre(corner, racing, centre.lengthM), number: index + 1 }));
  const names = namesOf(centre, corners, named);
  return corners.map((corner, index) => {
    const after = corners[(index + 1) % corners.length]!;
    const before = corners[(index + corners.length - 1) % corners.length]!;
    const straightM = (from: Corner, to: Corner) => around(to.entryM - from.exitM, centre.lengthM);
    const beforeM = straightM(before, corner);
    const afterM = straightM(corner, after);
    const own = names.get(corner.number);
    const apex = own?.book.apex ?? 'late';
    const lengthM = corner.exitM - corner.entryM;
    return {
      corner,
      named: own,
      apex,
      turnInM: corner.entryM - Math.min(MOST_LEAD_M, beforeM / 2),
      apexesM: APEX_SHARES[apex].map((share) => corner.entryM + share * lengthM),
      exitM: corner.exitM + Math.min(MOST_TAIL_M, 0.35 * afterM),
      // After a left-hander the car drifts out to the right; a next right-hander is turned into from the left.
      exitFree: afterM > SHORT_STRAIGHT_M || after.direction === corner.direction,
    };
  });
}

/** A corner of a driven line with its places along the centre line. */
function alongCentre(corner: Corner, line: DrivenLine, lengthM: number): Corner {
  const at = (alongM: number) => {
    const laps = Math.floor(alongM / line.lengthM);
    return line.centreM[stationAt(line, alongM)]! + laps * lengthM;
  };
  const entryM = at(corner.entryM);
  const after = (placeM: number) => (placeM < entryM ? placeM + lengthM : placeM);
  return { ...corner, entryM, apexM: after(at(corner.apexM)), exitM: after(at(corner.exitM)) };
}

/** Corners with neighbours to the same side put together: they are driven in one go. */
function joined(corners: readonly Corner[], lengthM: number): Corner[] {
  const all: Corner[] = [];
  for (const corner of corners) {
    const last = all.at(-1);
    if (last && last.direction === corner.direction && corner.entryM - last.exitM < ONE_CORNER_M) {
      const tightest = corner.radiusM < last.radiusM ? corner : last;
      all[all.length - 1] = {
        ...last,
        apexM: tightest.apexM,
        radiusM: tightest.radiusM,
        exitM: corner.exitM,
        angleDeg: last.angleDeg + corner.angleDeg,
      };
    } else all.push(corner);
  }
  // The last one may go on over the start line.
  const [first, last] = [all[0], all.at(-1)];
  if (all.length > 1 && first && last && first.direction === last.direction) {
    if (first.entryM + lengthM - last.exitM < ONE_CORNER_M) {
      const tightest = first.radiusM < last.radiusM ? { ...first, apexM: first.apexM + lengthM } : last;
      all.shift();
      all[all.length - 1] = {
        ...last,
        apexM: tightest.apexM,
        radiusM: tightest.radiusM,
        exitM: first.exitM + lengthM,
        angleDeg: last.angleDeg + first.angleDeg,
      };
    }
  }
  return all;
}

/** The named corner of each number: the one whose place is nearest to it, within or close to the corner. */
function namesOf(
  centre: CentreLine,
  corners: readonly Corner[],
  named: readonly NamedCorner[],
): ReadonlyMap<number, NamedCorner> {
  const names = new Map<number, NamedCorner>();
  const apart = (a: number, b: number) => {
    const way = Math.abs(a - b) % centre.lengthM;
    return Math.min(way, centre.lengthM - way);
  };
  for (const one of named) {
    const nearest = [...corners].sort((a, b) => apart(a.apexM, one.atM) - apart(b.apexM, one.atM))[0];
    if (nearest && apart(nearest.apexM, one.atM) < 120 && !names.has(nearest.number)) names.set(nearest.number, one);
  }
  return names;
}

/**
 * The line that is taught: as little curvature as can be, but with one turn-in from the outside, the apex where the book
 * wants it and the exit at the outside, unless the next corner is turned into from the other side at once.
 *
 * @returns offsets to the left of the centre line, metres, one a station
 */
export function teachingOffsets(
  centre: CentreLine,
  taught: readonly TaughtCorner[],
  carWidthM: number,
  moreMarginM = TAUGHT_MARGIN_M,
): Float64Array {
  const corridor = corridorOf(centre, carWidthM, 0.3 + moreMarginM);
  const n = centre.xM.length;
  for (let i = 0; i < n; i++) {
    // Where the road is too narrow for the margin, its middle is what is left.
    if (corridor.lowM[i]! > corridor.highM[i]!) {
      const middle = (corridor.lowM[i]! + corridor.highM[i]!) / 2;
      corridor.lowM[i] = middle - 0.01;
      corridor.highM[i] = middle + 0.01;
    }
  }
  const pulls: Pull[] = [];
  const pull = (atM: number, side: 'left' | 'right', weight: number) => {
    const station = stationAt(centre, atM);
    const offsetM = side === 'left' ? corridor.highM[station]! : corridor.lowM[station]!;
    pulls.push({ station, offsetM, weight });
  };
  for (const { corner, turnInM, apexesM, exitM, exitFree } of taught) {
    const inside = corner.direction;
    const outside = inside === 'left' ? 'right' : 'left';
    pull(turnInM, outside, OUTSIDE_WEIGHT);
    for (const apexM of apexesM) pull(apexM, inside, APEX_WEIGHT / apexesM.length ** 2);
    if (exitFree) pull(exitM, outside, OUTSIDE_WEIGHT);
  }
  return minimumCurvature(centre, corridor, pulls);
}
