import type { DayContext, DayState } from '../../journal';
import { drivenBy } from './handover';
import { analyseLaps } from './laps';
import { seenFaults } from './marks';
import type { FaultEntry } from './fault-entry';
import type { TeachingDrive } from './teaching-drive';

export type TaughtDrive = TeachingDrive & { readonly instructor: string };

/** Drives of a day with enough clean laps to say something, each with its instructor. */
export function teachingDrivesOf(
  context: DayContext,
  state: DayState,
  vocabulary: ReadonlyMap<string, FaultEntry>,
): TaughtDrive[] {
  return context.day.guests.flatMap(({ id }) =>
    drivenBy(state, id).flatMap((drive, place): TaughtDrive[] => {
      const { clean, laps, gainS, meanS } = analyseLaps(context, drive);
      if (drive.instructor === undefined || gainS === undefined || meanS === undefined) return [];
      return [
        {
          instructor: drive.instructor,
          date: context.day.date,
          nth: place + 1,
          span: clean.at(-1)!.number - clean[0]!.number,
          spoiled: laps.filter(({ spoiled }) => spoiled).length,
          gain: gainS / meanS,
          faults: seenFaults(drive, vocabulary).map(({ fault }) => fault.name),
        },
      ];
    }),
  );
}

/** A mean, and half the width of what it may be (90 in 100). */
export interface MeanWithin {
  readonly mean: number;
  readonly within: number;
}

/** The gain of an instructor's guests, for a talk about teaching and for nothing else. */
export interface TeachingResult {
  readonly drives: number;
  readonly spoiledLaps: number;
  /** Gain of a drive as a share of a lap. */
  readonly gain: MeanWithin | undefined;
  /** The same less what the whole crew's guests gain in as many laps of such a drive (first, second, later). */
  readonly beyond: MeanWithin | undefined;
  /** Whether that is more than chance would do. */
  readonly says: 'more' | 'less' | 'nothing' | 'too few';
  /** What was marked most often, with the share of drives in which it was. */
  readonly faults: readonly { readonly name: string; readonly share: number }[];
}

/** Fewer drives than this say nothing. */
const FEWEST_DRIVES = 8;
/** Of the normal distribution, for 90 in 100. */
const WITHIN_SE = 1.64;
/** The same for 99 in 100: where ten are looked at, one would be beyond 90 in 100 by chance. */
const BEYOND_SE = 2.58;
const MOST_FAULTS = 6;

/**
 * What the drives of one instructor say beside those of the whole crew. A first drive gains more than a third one and eight
 * laps more than five: each drive is compared with the crew's mean gain a lap in drives of its place in the day.
 */
export function teachingResult(
  own: readonly TeachingDrive[],
  crew: readonly Pick<TeachingDrive, 'nth' | 'span' | 'gain'>[],
): TeachingResult {
  const place = (nth: number) => Math.min(3, nth);
  const perLap = new Map<number, number>();
  for (const nth of [1, 2, 3]) {
    const alike = crew.filter((drive) => place(drive.nth) === nth);
    const laps = alike.reduce((sum, { span }) => sum + span, 0);
    perLap.set(nth, laps > 0 ? alike.reduce((sum, { gain }) => sum + gain, 0) / laps : 0);
  }
  const gain = meanWithin(own.map((drive) => drive.gain));
  const beyond = meanWithin(own.map((drive) => drive.gain - perLap.get(place(drive.nth))! * drive.span));
  const counts = new Map<string, number>();
  for (const name of own.flatMap(({ faults }) => faults)) counts.set(name, (counts.get(name) ?? 0) + 1);
  const marked = own.filter(({ faults }) => faults.length > 0).length;
  return {
    drives: own.length,
    spoiledLaps: own.reduce((sum, { spoiled }) => sum + spoiled, 0),
    gain,
    beyond,
    says: own.length < FEWEST_DRIVES || !beyond ? 'too few' : saysOf(beyond),
    faults: [...counts]
      .map(([name, count]) => ({ name, share: count / marked }))
      .sort((a, b) => b.share - a.share)
      .slice(0, MOST_FAULTS),
  };
}

function saysOf({ mean, within }: MeanWithin): TeachingResult['says'] {
  if (Math.abs(mean) <= (within * BEYOND_SE) / WITHIN_SE) return 'nothing';
  return mean > 0 ? 'more' : 'less';
}

function meanWithin(values: readonly number[]): MeanWithin | undefined {
  const n = values.length;
  if (n < 2) return undefined;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1);
  return { mean, within: WITHIN_SE * Math.sqrt(variance / n) };
}
