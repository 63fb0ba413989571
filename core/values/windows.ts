import type { TimeWindow } from './time-fields';

/** Half-open stretch `[startS, endS)` of the day. */
export interface Interval {
  readonly startS: number;
  readonly endS: number;
}

/** Sorted windows without overlaps; windows that touch or overlap become one. */
export function mergeWindows(windows: readonly TimeWindow[]): TimeWindow[] {
  const merged: TimeWindow[] = [];
  for (const window of [...windows].sort((a, b) => a.from - b.from)) {
    const last = merged.at(-1);
    if (last && window.from <= last.to) last.to = Math.max(last.to, window.to);
    else merged.push({ ...window });
  }
  return merged;
}

/** Windows of one list without those of another. */
export function withoutWindows(windows: readonly TimeWindow[], away: readonly TimeWindow[]): TimeWindow[] {
  return away.reduce<TimeWindow[]>(
    (left, gone) =>
      left.flatMap(({ from, to }) =>
        [
          { from, to: Math.min(to, gone.from) },
          { from: Math.max(from, gone.to), to },
        ].filter((rest) => rest.from < rest.to),
      ),
    mergeWindows(windows),
  );
}

/** Whether one of the (merged) windows holds the whole interval. */
export function liesInside(merged: readonly TimeWindow[], interval: Interval): boolean {
  return merged.some((window) => window.from <= interval.startS && interval.endS <= window.to);
}

/** Whether two half-open intervals share an instant; an empty interval shares none. */
export function overlaps(a: Interval, b: Interval): boolean {
  return a.startS < b.endS && b.startS < a.endS && a.startS < a.endS && b.startS < b.endS;
}

/**
 * Pairs of neighbours by start that overlap; where one interval covers several, each is paired with the one that
 * reaches furthest so far.
 */
export function overlappingPairs<T extends Interval>(intervals: readonly T[]): [T, T][] {
  const pairs: [T, T][] = [];
  let furthest: T | undefined;
  for (const next of [...intervals].sort(byStart)) {
    if (furthest && overlaps(furthest, next)) pairs.push([furthest, next]);
    if (!furthest || next.endS > furthest.endS) furthest = next;
  }
  return pairs;
}

/**
 * Each instant at which more than `most` intervals run at once is reported by the interval that starts it, with how long
 * so many do.
 */
export function overloads<T extends Interval>(
  intervals: readonly T[],
  most: number,
): { running: T[]; atS: number; forS: number }[] {
  const found: { running: T[]; atS: number; forS: number }[] = [];
  let running: T[] = [];
  for (const next of [...intervals].filter((i) => i.startS < i.endS).sort(byStart)) {
    running = running.filter((other) => other.endS > next.startS);
    running.push(next);
    if (running.length <= most) continue;
    const ends = running.map(({ endS }) => endS).sort((a, b) => a - b);
    found.push({ running: [...running], atS: next.startS, forS: ends[running.length - most - 1]! - next.startS });
  }
  return found;
}

export function byStart(a: Interval, b: Interval): number {
  return a.startS - b.startS || a.endS - b.endS;
}
