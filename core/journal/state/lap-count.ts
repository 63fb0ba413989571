/**
 * Two independent counts of a drive's crossings of the line: the timing loop's and that of the people who tap. Both are
 * kept; where they differ, the smaller one holds, so that a doubt is settled in the guest's favour.
 */
export interface LapCount {
  /** Crossings by each source; nothing as long as it has not spoken in this drive. */
  loop: number | undefined;
  hand: number | undefined;
  /** Everything that was reported, in order, with what was made of it. */
  readonly marks: CountMark[];
}

export interface CountMark {
  /** Seconds since midnight; from the timing loop to the thousandth. */
  readonly atS: number;
  readonly source: LapSource;
  readonly by: string;
  readonly as: MarkMeaning;
  /** Which crossing of the drive this is by its own source's count, from 1. */
  readonly number: number;
}

export type LapSource = 'hand' | 'loop';
/**
 * `counted`; `same`: too soon after the last one of its source, so it is the same crossing once more; `missed`: so long
 * after the last one that the loop has probably missed a crossing; `settled`: somebody has decided the number.
 */
export type MarkMeaning = 'counted' | 'same' | 'missed' | 'settled';

/** Reports of one source nearer together than this share of a lap are the same crossing. */
export const SAME_SHARE = 0.4;
/** A gap this near to a whole number of laps, in laps, tells of missed crossings. */
const MISSED_SHARE = 0.3;
/** The other source's crossing this much of a lap ago is the one that is reported now. */
const JUST_NOW_SHARE = 0.5;
/** A source that is this many behind has stopped counting. */
const SILENT_BEHIND = 2;
/** Two people need some seconds to report the same crossing: only an older difference is one. */
const DIFFERENCE_AFTER_S = 20;

export const noCount = (): LapCount => ({ loop: undefined, hand: undefined, marks: [] });

/** Crossings that hold: the smaller count of those that speak. */
export function agreedCrossings({ loop, hand }: LapCount): number {
  if (loop === undefined || hand === undefined) return loop ?? hand ?? 0;
  return hasStopped({ loop, hand }) ? Math.max(loop, hand) : Math.min(loop, hand);
}

/** The source that has stopped counting while the other went on, if one has. */
export function hasStopped({ loop, hand }: Pick<LapCount, LapSource>): LapSource | undefined {
  if (loop === undefined || hand === undefined || Math.abs(loop - hand) < SILENT_BEHIND) return undefined;
  return loop < hand ? 'loop' : 'hand';
}

/**
 * Takes in one report.
 *
 * @param lapS the lap to expect, seconds
 * @param sinceS where the drive began, for the time up to the first crossing
 * @param hindered the lap was slowed by traffic or a flag, so that its length tells nothing
 */
export function report(
  count: LapCount,
  { atS, source, by }: Omit<CountMark, 'as' | 'number'>,
  { lapS, sinceS, hindered }: { readonly lapS: number; readonly sinceS: number; readonly hindered: boolean },
): MarkMeaning {
  const other = source === 'loop' ? count.hand : count.loop;
  const own = count[source];
  const lastOf = (which: LapSource) => count.marks.findLast((mark) => mark.source === which && mark.as !== 'same')?.atS;
  const lastS = lastOf(source);
  let as: MarkMeaning = 'counted';
  if (lastS !== undefined && atS - lastS < SAME_SHARE * lapS) {
    as = 'same';
  } else if (own === undefined ? other !== undefined : other !== undefined && other - own >= SILENT_BEHIND) {
    // It joins the count that is going on: this crossing has just been reported by the other, or is the next one.
    const otherS = lastOf(source === 'loop' ? 'hand' : 'loop') ?? sinceS;
    count[source] = atS - otherS < JUST_NOW_SHARE * lapS ? other : other! + 1;
  } else {
    const gap = (atS - (lastS ?? sinceS)) / lapS;
    const missed = Math.round(gap) - 1;
    const suspicious = source === 'loop' && !hindered && missed >= 1 && Math.abs(gap - missed - 1) < MISSED_SHARE;
    const confirmed = suspicious && other !== undefined && other >= (own ?? 0) + missed;
    count[source] = (own ?? 0) + 1 + (confirmed ? missed : 0);
    if (suspicious) as = 'missed';
  }
  count.marks.push({ atS, source, by, as, number: count[source] ?? 0 });
  return as;
}

/** Somebody has decided: both sources go on from this number. */
export function settleCount(count: LapCount, crossings: number, atS: number, by: string): void {
  if (count.loop !== undefined) count.loop = crossings;
  if (count.hand !== undefined || count.loop === undefined) count.hand = crossings;
  count.marks.push({ atS, source: 'hand', by, as: 'settled', number: crossings });
}

/**
 * The mark that saw a crossing, by its number: the loop knows the moment best. Nothing where neither saw it, as where a
 * count went past it or somebody has decided the number.
 */
export function markOf({ marks }: LapCount, number: number): CountMark | undefined {
  const sawIt = (source: LapSource) =>
    marks.findLast(
      (mark) => mark.source === source && mark.number === number && mark.as !== 'same' && mark.as !== 'settled',
    );
  return sawIt('loop') ?? sawIt('hand');
}

/** The two counts where both go on, differ and have had time to agree. */
export function countsDiffer(
  { loop, hand, marks }: LapCount,
  nowS: number,
): { readonly loop: number; readonly hand: number } | undefined {
  if (loop === undefined || hand === undefined || loop === hand || hasStopped({ loop, hand })) return undefined;
  return nowS - (marks.at(-1)?.atS ?? 0) < DIFFERENCE_AFTER_S ? undefined : { loop, hand };
}
