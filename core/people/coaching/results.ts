import type { Guest } from '../../day';
import { lapsOwed, type DayContext, type DayState, type DriveState } from '../../journal';
import { drivenBy } from './handover';
import { marksByPlace, type PlaceMarks } from './heat';
import { COACHED_DRIVE, type LevelReached } from './levels';
import { analyseLaps, compareIndex, paceIndex, type LapAnalysis, type PaceIndex } from './laps';
import { cured, oneThing, seenFaults, type OneThing, type SeenFault } from './marks';
import type { FaultEntry } from './fault-entry';

/** One drive as the guest takes it home. */
export interface DriveResult {
  readonly drive: DriveState;
  readonly car: string;
  readonly instructor: string;
  readonly analysis: LapAnalysis;
  readonly index: PaceIndex | undefined;
  readonly seen: readonly SeenFault[];
  /** What was seen and is not gone by the last drive. */
  readonly workedOn: readonly FaultEntry[];
  readonly good: readonly string[];
  /** Laps of it that were paid for and are still to be driven. */
  readonly owed: number;
}

/** What a guest did today and got better at. */
export interface GuestResult {
  readonly guest: Guest;
  readonly drives: readonly DriveResult[];
  readonly laps: number;
  /** The best clean lap of all drives, and in which car. */
  readonly best: { readonly lapS: number; readonly car: string } | undefined;
  /** The most that was gained within one drive. */
  readonly gainS: number | undefined;
  /** What was good, in the words of the instructors. */
  readonly good: readonly string[];
  /** What was seen in earlier drives and not in the last one. */
  readonly noLonger: readonly FaultEntry[];
  readonly oneThing: OneThing | undefined;
  readonly marks: readonly PlaceMarks[];
  /** What was reached on this day, by programme. */
  readonly reached: readonly LevelReached[];
}

export function guestResult(
  context: DayContext,
  state: DayState,
  guestId: string,
  vocabulary: ReadonlyMap<string, FaultEntry>,
): GuestResult | undefined {
  const guest = state.guests.get(guestId)?.guest;
  if (!guest) return undefined;
  const { cars, instructors } = context.schedule.index;
  const driven = drivenBy(state, guestId);
  const seenIn = driven.map((drive) => seenFaults(drive, vocabulary));
  const noLonger = cured(seenIn);
  const gone = new Set(noLonger.map(({ id }) => id));
  const drives = driven.map((drive, place): DriveResult => {
    const analysis = analyseLaps(context, drive);
    const seen = seenIn[place]!;
    return {
      drive,
      car: cars.get(drive.car ?? '')?.name ?? drive.car ?? '',
      instructor: instructors.get(drive.instructor ?? '')?.name ?? '',
      analysis,
      index: paceIndex(context, drive, analysis),
      seen,
      workedOn: seen.flatMap(({ fault }) => (gone.has(fault.id) ? [] : [fault])),
      good: [...new Set(drive.marked.flatMap(({ good }) => (good ? [good] : [])))],
      owed: lapsOwed(context, state, drive),
    };
  });
  const bests = drives.flatMap(({ analysis, car }) =>
    analysis.bestS === undefined ? [] : [{ lapS: analysis.bestS, car }],
  );
  const gains = drives.flatMap(({ analysis: { gainedS = 0 } }) => (gainedS > 0 ? [gainedS] : []));
  return {
    guest,
    drives,
    laps: drives.reduce((sum, { analysis }) => sum + analysis.driven, 0),
    best: bests.sort((a, b) => a.lapS - b.lapS)[0],
    gainS: gains.length > 0 ? Math.max(...gains) : undefined,
    good: [...new Set(drives.flatMap(({ good }) => good))],
    noLonger,
    oneThing: oneThing(seenIn),
    marks: marksByPlace(
      drives.map(({ drive }) => drive),
      vocabulary,
    ),
    reached: levelOf(context, drives),
  };
}

/** The fiercest car with a clean lap in it. */
function levelOf({ day, schedule }: DayContext, drives: readonly DriveResult[]): LevelReached[] {
  const reached = drives
    .filter(({ analysis }) => analysis.clean.length > 0)
    .flatMap(({ drive }) => schedule.index.cars.get(drive.car ?? '') ?? [])
    .sort((a, b) => b.level - a.level)[0];
  return reached ? [{ programme: COACHED_DRIVE, level: reached.level, car: reached.name, date: day.date }] : [];
}

/** One friend among others. */
export interface PartyMember {
  readonly result: GuestResult;
  readonly index: PaceIndex | undefined;
  readonly gainS: number | undefined;
  /** Spread of the clean laps as a share of their mean, in the steadiest drive. */
  readonly spread: number | undefined;
  /** Faults marked in each lap driven. */
  readonly faultsPerLap: number | undefined;
  /** What this one did best of all, at most one each where it can be; a draw with somebody counts for both. */
  readonly firstIn: readonly PartyContest[];
}

export type PartyContest = 'pace' | 'gain' | 'consistency' | 'fewest faults';

/** Friends side by side, each to be shown first where they did best. Small differences of pace are a draw. */
export function partyResult(results: readonly GuestResult[]): PartyMember[] {
  const members = results
    .filter(({ laps }) => laps > 0)
    .map((result) => {
      const indices = result.drives.flatMap(({ index }) => (index ? [index] : []));
      const spreads = result.drives.flatMap(({ analysis: { spreadS, meanS } }) =>
        spreadS !== undefined && meanS !== undefined ? [spreadS / meanS] : [],
      );
      const marked = result.drives.filter(({ drive }) => drive.marked.length > 0);
      const laps = marked.reduce((sum, { analysis }) => sum + analysis.driven, 0);
      return {
        result,
        index: indices.sort((a, b) => b.index - a.index)[0],
        gainS: result.gainS,
        spread: spreads.length > 0 ? Math.min(...spreads) : undefined,
        faultsPerLap: laps > 0 ? marked.reduce((sum, { seen }) => sum + seen.length, 0) / laps : undefined,
      };
    });
  type Member = (typeof members)[number];
  const bestBy = (value: (member: Member) => number | undefined): Member[] => {
    const known = members.flatMap((member) => {
      const of = value(member);
      return of === undefined ? [] : [{ member, of }];
    });
    const most = Math.max(...known.map(({ of }) => of));
    return known.filter(({ of }) => of > most - 1e-9).map(({ member }) => member);
  };
  const quickest = members.flatMap(({ index }) => (index ? [index] : [])).sort((a, b) => b.index - a.index)[0];
  const winners: Record<PartyContest, Member[]> = {
    pace: members.filter(({ index }) => index && quickest && compareIndex(quickest, index) === 'draw'),
    gain: bestBy(({ gainS }) => gainS),
    consistency: bestBy(({ spread }) => (spread === undefined ? undefined : -spread)),
    'fewest faults': bestBy(({ faultsPerLap }) => (faultsPerLap === undefined ? undefined : -faultsPerLap)),
  };
  return members.map((member) => ({
    ...member,
    firstIn: (Object.keys(winners) as PartyContest[]).filter((contest) => winners[contest].includes(member)),
  }));
}
