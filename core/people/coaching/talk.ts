import type { GateAnswers } from '../../venue/booking';
import type { CardAdvice } from '../../track/car';
import { fact, type Fact } from '../../values';
import type { CoachingCustoms } from '../../venue/settings';

/** What an instructor says and does in the car before it rolls, in this order. */
const TALK_GROUPS = ['seat', 'guest', 'car', 'before', 'home', 'ways', 'speed'] as const;
export type TalkGroupName = (typeof TALK_GROUPS)[number];

/** One line of the talk; words of the venue and of people are values. */
export type TalkFact =
  | Fact<
      'check' | 'trap' | 'occasion' | 'workOn' | 'wasGood' | 'brakes' | 'steering' | 'automatic',
      object,
      { text: string }
    >
  | Fact<'noTouch' | 'touchNotAsked' | 'touchIsFine' | 'sick' | 'glasses'>
  | Fact<'homeSide', object, { side: 'left' | 'right' }>
  | Fact<'gearbox', object, { gearbox: 'auto' | 'paddle' | undefined }>
  | Fact<'shifts', object, { shifts: number; gears: readonly number[] }>
  | Fact<'advice', object, { advice: CardAdvice }>
  | Fact<'homeSmall' | 'homeFamily' | 'homeAutomatic' | 'homeElectric' | 'homeSporty' | 'homeNone'>
  | Fact<'wayOut' | 'priority'>
  | Fact<'passing', object, { where: CoachingCustoms['passing'] }>
  | Fact<'wayIn', object, { text: string }>
  | Fact<'parking', object, { lock: 'left' | 'right'; parkedIn: 'neutral' | 'park' }>
  | Fact<'topSpeed', object, { kmh: number }>;

interface TalkLine {
  /** Stays the same for the same line, so that it stays ticked. */
  readonly id: string;
  readonly what: TalkFact;
  readonly done: boolean;
}

export interface TalkGroup {
  readonly name: TalkGroupName;
  readonly lines: readonly TalkLine[];
  /** All of it was said to this guest in a drive before, or has been ticked now: it may be folded. */
  readonly folded: boolean;
}

/** What the talk is made of. */
export interface TalkSource {
  readonly customs: Pick<CoachingCustoms, 'talk' | 'passing' | 'lock' | 'parkedIn'>;
  readonly wayIn: string;
  readonly answers: GateAnswers;
  readonly gearbox: 'auto' | 'paddle' | undefined;
  readonly occasion: string | undefined;
  readonly workOn: string | undefined;
  readonly good: readonly string[];
  readonly notes:
    | {
        readonly brakes?: string | undefined;
        readonly steering?: string | undefined;
        readonly automatic?: string | undefined;
      }
    | undefined;
  readonly traps: readonly string[];
  readonly advice: readonly CardAdvice[];
  /** Whether there was a car before, which `advice` then compares with. */
  readonly after: boolean;
  /** The lap of this car at the pace nearest to the guest's. */
  readonly lap:
    { readonly topSpeedKmh: number; readonly gearChanges: number; readonly gearsUsed: readonly number[] } | undefined;
  /** Ids of lines that were ticked in this drive. */
  readonly ticked: ReadonlySet<string>;
  /** Ids of lines that were ticked in drives of this guest before. */
  readonly saidBefore: ReadonlySet<string>;
}

const HOME = {
  small: 'homeSmall',
  family: 'homeFamily',
  automatic: 'homeAutomatic',
  electric: 'homeElectric',
  sporty: 'homeSporty',
  none: 'homeNone',
} as const;
/** Speeds are promised in steps of so much, and never more than the model gives. */
const SPEED_STEP_KMH = 5;

/** The talk in the car for this guest, this car, this moment: all of it, in the order in which it is done. */
export function talkOf(source: TalkSource): TalkGroup[] {
  const { customs, answers, notes, lap } = source;
  const lines: Record<TalkGroupName, readonly TalkFact[]> = {
    seat: customs.talk.map((text) => fact('check', {}, { text })),
    guest: [
      ...(source.occasion ? [fact('occasion', {}, { text: source.occasion })] : []),
      ...source.good.map((text) => fact('wasGood', {}, { text })),
      ...(source.workOn ? [fact('workOn', {}, { text: source.workOn })] : []),
      fact(answers.touch === undefined ? 'touchNotAsked' : answers.touch ? 'touchIsFine' : 'noTouch', {}),
      ...(answers.sick ? [fact('sick', {})] : []),
      ...(answers.glasses ? [fact('glasses', {})] : []),
    ],
    car: [
      fact('gearbox', {}, { gearbox: source.gearbox }),
      ...(lap && source.gearbox !== 'auto'
        ? [fact('shifts', {}, { shifts: lap.gearChanges, gears: lap.gearsUsed })]
        : []),
      ...(notes?.brakes ? [fact('brakes', {}, { text: notes.brakes })] : []),
      ...(notes?.steering ? [fact('steering', {}, { text: notes.steering })] : []),
      ...(notes?.automatic && source.gearbox === 'auto' ? [fact('automatic', {}, { text: notes.automatic })] : []),
      ...source.traps.map((text) => fact('trap', {}, { text })),
      ...(source.after ? [] : source.advice.map((advice) => fact('advice', {}, { advice }))),
    ],
    before: source.after ? source.advice.map((advice) => fact('advice', {}, { advice })) : [],
    home: [
      ...(answers.homeCar ? [fact(HOME[answers.homeCar], {})] : []),
      ...(answers.drivesOn === undefined ? [] : [fact('homeSide', {}, { side: answers.drivesOn })]),
    ],
    ways: [
      fact('wayOut', {}),
      fact('priority', {}),
      fact('passing', {}, { where: customs.passing }),
      fact('wayIn', {}, { text: source.wayIn }),
      fact('parking', {}, { lock: customs.lock, parkedIn: customs.parkedIn }),
    ],
    speed: lap ? [fact('topSpeed', {}, { kmh: Math.floor(lap.topSpeedKmh / SPEED_STEP_KMH) * SPEED_STEP_KMH })] : [],
  };
  return TALK_GROUPS.filter((name) => lines[name].length > 0).map((name): TalkGroup => {
    const all = lines[name].map((what, place): TalkLine => {
      const id = lineId(name, what, place);
      return { id, what, done: source.ticked.has(id) };
    });
    return { name, lines: all, folded: all.every(({ id, done }) => done || source.saidBefore.has(id)) };
  });
}

/** A line is known by what it says, so that one that says something else is to be said again. */
function lineId(group: TalkGroupName, what: TalkFact, place: number): string {
  const said = JSON.stringify(what.values);
  return `${group}-${what.code}-${said === '{}' ? place : said}`.slice(0, 100);
}
