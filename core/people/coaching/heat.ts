import { measure, type CircuitMap } from '../../track/circuit';
import type { DriveState } from '../../journal';
import { phase, type FaultEntry, type Phase } from './fault-entry';

/** How often something was marked at a corner in one phase. */
export interface PlaceMarks {
  /** Name of the corner as it was called; nothing for what was marked everywhere. */
  readonly corner: string | undefined;
  readonly phase: Phase;
  readonly count: number;
}

/**
 * Marks by corner and phase, over any drives. The same fault at the same corner counts once a drive, and once a lap where
 * laps were named. Marks of a fault that the vocabulary does not know are left out.
 */
export function marksByPlace(
  drives: readonly Pick<DriveState, 'marked'>[],
  vocabulary: ReadonlyMap<string, FaultEntry>,
): PlaceMarks[] {
  const counts = new Map<string, PlaceMarks>();
  for (const { marked } of drives) {
    const seen = new Set<string>();
    for (const { fault, corner, lap } of marked.flatMap(({ marks }) => marks)) {
      const of = vocabulary.get(fault)?.phase;
      const once = `${fault} ${lap ?? ''} ${corner ?? ''}`;
      if (of === undefined || seen.has(once)) continue;
      seen.add(once);
      const key = `${of} ${corner ?? ''}`;
      counts.set(key, { corner, phase: of, count: (counts.get(key)?.count ?? 0) + 1 });
    }
  }
  return [...counts.values()].sort((a, b) => b.count - a.count);
}

/** Marks by name of the corner, of all phases; what was marked everywhere belongs to none. */
export function marksByCorner(marks: readonly PlaceMarks[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { corner, count } of marks) {
    if (corner !== undefined) counts.set(corner, (counts.get(corner) ?? 0) + count);
  }
  return counts;
}

/** A stretch of the road on which a phase of a corner takes place, with its marks. Shares of the lap, `from` before `to`. */
export interface HeatStretch {
  readonly corner: string;
  readonly phase: Phase;
  readonly count: number;
  /** May lie before the start line, and so below 0. */
  readonly from: number;
  readonly to: number;
}

/** How far before and after its apex a corner reaches at most, metres. */
const BEFORE_M = 130;
const AFTER_M = 110;
/** Where each phase lies, from the beginning of the corner (−1) over the apex (0) to its end (1). */
const PLACES: Readonly<Record<Exclude<Phase, 'whole'>, readonly [from: number, to: number]>> = {
  look: [-1, -0.84],
  brake: [-0.84, -0.6],
  gear: [-0.6, -0.46],
  release: [-0.46, -0.32],
  turnIn: [-0.32, -0.12],
  apex: [-0.12, 0.12],
  balance: [0.12, 0.3],
  throttle: [0.3, 0.55],
  exit: [0.55, 0.82],
  slide: [0.82, 1],
};

/**
 * Marks laid on the road: each corner has the stretch to the middle between it and its neighbours, and each phase its part
 * of that. Marks of the whole drive, of everywhere, and of corners that the map does not know have no place on it.
 */
export function heatOf(marks: readonly PlaceMarks[], map: CircuitMap): HeatStretch[] {
  const { lengthM } = measure(map.line);
  const corners = [...map.corners].sort((a, b) => a.atM - b.atM);
  return corners.flatMap(({ name, atM }, i) => {
    const before = corners.at(i - 1)!;
    const after = corners[(i + 1) % corners.length]!;
    const gap = (fromM: number, toM: number) => ((toM - fromM + lengthM) % lengthM || lengthM) / 2;
    const [beforeM, afterM] = [Math.min(BEFORE_M, gap(before.atM, atM)), Math.min(AFTER_M, gap(atM, after.atM))];
    const place = (share: number) => (atM + share * (share < 0 ? beforeM : afterM)) / lengthM;
    return phase.options.flatMap((of): HeatStretch[] => {
      const found = marks.find((one) => one.corner === name && one.phase === of);
      if (!found || of === 'whole') return [];
      const [from, to] = PLACES[of];
      return [{ corner: name, phase: of, count: found.count, from: place(from), to: place(to) }];
    });
  });
}
