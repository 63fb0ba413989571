import type { CallCustoms, CallKind } from '@core/track/car';
import type { ConeKind, Marker } from '@core/track/circuit';
import type { Question, SlideKind } from '@core/people/classroom';
import type { FaultEntry, Phase } from '@core/people/coaching';
import type { Numbers } from './numbers';

/** All that a guest reads, in one language: results, classroom show, and the times of the day. */
export interface GuestWords {
  /** What the language calls itself. */
  readonly language: string;
  /** As `Intl` and the `lang` of a page take it. */
  readonly locale: string;
  readonly numbers: Numbers;
  readonly results: ResultWords;
  readonly show: ShowWords;
  readonly times: TimesWords;
}

export interface ResultWords {
  /** Under the number of laps. */
  readonly laps: (count: number) => string;
  /** `two laps in 2:32.4`, and how many have no time. */
  readonly lapsIn: (count: number, seconds: number) => string;
  readonly lapsWithoutTime: (count: number) => string;
  /** Of a drive that was broken off. */
  readonly lapsOwed: (count: number) => string;
  readonly bestLap: (car: string) => string;
  readonly gainedMost: string;
  readonly withInstructor: (instructor: string) => string;
  readonly best: (seconds: number) => string;
  readonly noCleanLap: string;
  /** @param seconds more than 0 is quicker */
  readonly gain: (seconds: number, withinS: number) => string;
  readonly paceIndex: (index: number, within: number) => string;
  readonly steady: (spreadS: number) => string;
  readonly good: (things: readonly string[]) => string;
  readonly workedOn: (faults: readonly string[]) => string;
  readonly learned: string;
  readonly noLonger: (fault: string) => string;
  readonly oneThing: string;
  readonly gainWithin: string;
  readonly paceForTheCar: string;
  readonly tooFewLaps: string;
  readonly lap: string;
  readonly index: string;
  readonly spoiled: string;
  readonly noDriveYet: string;
  readonly noSuchGuest: string;
  readonly toTakeHome: string;
  readonly withFriends: string;
  readonly print: string;
  readonly drives: string;
  readonly lapsAndMarks: string;
  readonly noMarks: string;
  readonly marksAt: (places: readonly string[]) => string;
  readonly calledOtherwise: (places: readonly string[]) => string;
  readonly phase: Readonly<Record<Phase, string>>;
  /** Name and cure of a fault; a venue's own ones as the venue wrote them. */
  readonly fault: (fault: FaultEntry) => Pick<FaultEntry, 'name' | 'cure'>;
  /** What was good; words of an instructor's own as they were written. */
  readonly goodThing: (text: string) => string;
}

export interface ShowWords {
  /** What a slide says where the venue has not written its own words. */
  readonly slide: Readonly<Record<SlideKind, { readonly title: string; readonly words: readonly string[] }>>;
  /** The common questions; one that the venue has changed stays as it is written. */
  readonly question: (question: Question) => Question;
  readonly today: (condition: string) => string;
  readonly smallerBudget: (condition: string) => string;
  readonly circuit: (name: string, size: { readonly lengthM: number; readonly corners: number } | undefined) => string;
  readonly brake: { readonly straight: string; readonly trailed: string };
  readonly throttle: { readonly none: string; readonly maintenance: string };
  readonly release: string;
  readonly turnOnce: string;
  readonly apex: string;
  readonly exit: string;
  readonly passing: Readonly<Record<'straights' | 'signals', string>>;
  /** Where passing is allowed: the corners named, or nowhere. */
  readonly passingNamed: (corners: readonly string[]) => string;
  /** From both seats: being passed, passing, and what the instructor does. */
  readonly passed: readonly string[];
  readonly corner: (
    number: number,
    direction: 'left' | 'right',
    apex: 'early' | 'middle' | 'late' | 'double',
  ) => string;
  readonly lookAt: (what: string) => string;
  readonly givenAway: string;
  readonly noExitCone: (inside: 'left' | 'right' | undefined) => string;
  readonly noGearChange: string;
  readonly kerbs: Readonly<Record<'ride' | 'leave', string>>;
  readonly slippery: (where: string) => string;
  readonly roadMarks: (what: string) => string;
  readonly lightThrottle: string;
  readonly mistakes: (what: string) => string;
  /** What stands at the road: `a pair of white cones`. */
  readonly look: (marker: Marker) => string;
  readonly cone: (kind: ConeKind, marker: Marker) => string;
  /** What is called at a venue, in the order of doing. */
  readonly calls: (customs: CallCustoms) => readonly CallLine[];
  readonly drawing: Readonly<Record<DrawnWord, string>>;
}

/** One call as the class is told of it. */
export interface CallLine {
  readonly kind: CallKind;
  readonly say: string;
  readonly means: string;
  readonly holds: string;
}

/** What is written in the drawings of the show. */
type DrawnWord =
  | 'wrist'
  | 'knee'
  | 'eyesBraking'
  | 'eyesTurning'
  | 'eyesAtApex'
  | 'throttle'
  | 'brake'
  | 'turn'
  | 'frontGrips'
  | 'rearGrips'
  | 'gearDown'
  | 'gearUp'
  | 'noseWide'
  | 'tailOut'
  | 'meant'
  | 'goes'
  | 'lifts'
  | 'caution'
  | 'allStop'
  | 'lapsKept';

interface TimesWords {
  readonly title: string;
  readonly arrive: string;
  readonly briefing: string;
  readonly sighting: string;
  readonly drive: (car: string, laps: number) => string;
  readonly ride: (car: string, laps: number) => string;
  readonly nothingYet: string;
  readonly mayMove: string;
  /** Where it was planned, of a time that has moved. */
  readonly plannedAt: (time: string) => string;
  /** Of a time that is not what it was when it was read last. */
  readonly changed: string;
}
