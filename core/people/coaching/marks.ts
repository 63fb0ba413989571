import type { DriveState } from '../../journal';
import type { FaultEntry } from './fault-entry';

/** A fault as it was seen in one drive, with where and how often. */
export interface SeenFault {
  readonly fault: FaultEntry;
  /** Names of corners, as they were called when it was marked. */
  readonly corners: readonly string[];
  readonly everywhere: boolean;
  /** How many marks it has; two instructors who mark the same corner count once. */
  readonly count: number;
}

/** A mark that says "everywhere" stands for so many corners. */
const EVERYWHERE_COUNTS = 3;

/** What was seen in a drive, the worst first. Marks of a fault that the vocabulary no longer knows are left out. */
export function seenFaults(
  { marked }: Pick<DriveState, 'marked'>,
  vocabulary: ReadonlyMap<string, FaultEntry>,
): SeenFault[] {
  const found = new Map<string, { corners: Set<string>; everywhere: boolean; places: Set<string> }>();
  for (const { marks } of marked) {
    for (const { fault, corner, lap } of marks) {
      const known = found.get(fault) ?? { corners: new Set<string>(), everywhere: false, places: new Set<string>() };
      if (corner === undefined) known.everywhere = true;
      else known.corners.add(corner);
      known.places.add(`${corner ?? ''} ${lap ?? ''}`);
      found.set(fault, known);
    }
  }
  return [...found]
    .flatMap(([id, { corners, everywhere, places }]): SeenFault[] => {
      const fault = vocabulary.get(id);
      return fault ? [{ fault, corners: [...corners], everywhere, count: places.size }] : [];
    })
    .sort((a, b) => sizeOf(b) - sizeOf(a));
}

/** How much a fault matters in a drive: its weight, times the corners it was seen in, times how often. */
function sizeOf({ fault, corners, everywhere, count }: SeenFault): number {
  const places = Math.max(1, corners.length + (everywhere ? EVERYWHERE_COUNTS : 0));
  return fault.weight * places * Math.sqrt(count / Math.max(1, corners.length + (everywhere ? 1 : 0)));
}

/** What to work on in the next drive, and how. */
export interface OneThing {
  readonly fault: FaultEntry;
  readonly corners: readonly string[];
  readonly everywhere: boolean;
  /** It was seen in the drive before as well: said another way, and sooner. */
  readonly repeated: boolean;
  readonly say: string;
  /** What of it is the cause of another fault that was seen, if it is. */
  readonly causes: FaultEntry | undefined;
}

/** What came again counts so much more. */
const REPEATED_COUNTS = 1.6;
/** What causes another fault of the same drive counts so much of that one besides. */
const CAUSE_COUNTS = 0.6;

/**
 * One thing for the next drive: frequency × weight × corners, more where it was seen in the drive before too, and more
 * where it is the cause of something else that was seen. Nothing where the last drive has no marks.
 *
 * @param drives what was seen, drive by drive, the last one at the end
 */
export function oneThing(drives: readonly (readonly SeenFault[])[]): OneThing | undefined {
  const last = drives.at(-1) ?? [];
  const before = new Set((drives.at(-2) ?? []).map(({ fault }) => fault.id));
  const scored = last.map((seen) => {
    const effects = last.filter(({ fault }) => fault.from?.includes(seen.fault.id));
    const own = sizeOf(seen) * (before.has(seen.fault.id) ? REPEATED_COUNTS : 1);
    return { seen, effects, score: own + CAUSE_COUNTS * effects.reduce((sum, effect) => sum + sizeOf(effect), 0) };
  });
  const best = scored.sort((a, b) => b.score - a.score)[0];
  if (!best) return undefined;
  const { seen, effects } = best;
  const repeated = before.has(seen.fault.id);
  return {
    fault: seen.fault,
    corners: seen.corners,
    everywhere: seen.everywhere,
    repeated,
    say: repeated ? seen.fault.sayOtherwise : seen.fault.say,
    causes: effects[0]?.fault,
  };
}

/** Faults of earlier drives that the last one was free of. */
export function cured(drives: readonly (readonly SeenFault[])[]): FaultEntry[] {
  const last = new Set((drives.at(-1) ?? []).map(({ fault }) => fault.id));
  const earlier = new Map(drives.slice(0, -1).flatMap((seen) => seen.map(({ fault }) => [fault.id, fault] as const)));
  return drives.length < 2 ? [] : [...earlier.values()].filter(({ id }) => !last.has(id));
}
