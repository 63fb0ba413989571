import type { GateAnswers } from '../../venue/booking';
import { CIRCUIT, vehiclesOf } from '../../programmes';
import type { Car, Drive, Guest, Instructor } from '../../day';
import type { ExtraLapReason, BreakOffReason, FlagKind } from '../entries/parts';
import type { EntryKind, EntryOf } from '../entries/entry';
import type { Fitted } from './fitted';
import type { GarageState } from './garage';
import type { GroupState } from './group-state';
import type { LapCount, LapSource } from './lap-count';
import type { Resolution } from './refusal';
import type { DriveStage } from './stages';
import type { PaceKnown } from './lap-estimate';

/** Where a guest is on the way through the venue. */
export type GuestStage =
  | 'expected'
  | 'arrived'
  | 'cleared'
  | 'inClass'
  | 'briefed'
  | 'onSighting'
  | 'seen'
  | 'waiting'
  | 'seated'
  | 'onCircuit'
  | 'inDebrief'
  | 'debriefed'
  | 'finished'
  | 'noShow'
  | 'left'
  | 'unwell';

export interface GuestState {
  readonly guest: Guest;
  stage: GuestStage;
  /** Time of day at which the guest came, if so. */
  arrivedS: number | undefined;
  waiver: boolean;
  licence: boolean;
  helmet: boolean;
  briefed: boolean;
  sighted: boolean;
  /** What was answered at the gate; a question that is missing has not been asked there. */
  answers: GateAnswers;
  /** The same of what decides which cars are right; the day itself goes by it once the server has it. */
  fitted: Fitted;
  /** What the guest misunderstood in class, by question. */
  readonly misread: Map<string, { readonly atS: number; readonly words: string }>;
  /** Missing at a class and sent for, and found meanwhile; over with the next step of the guest, see `sentFor`. */
  sentFor:
    | { readonly atS: number; readonly by: string; readonly instructor: string; readonly foundS: number | undefined }
    | undefined;
  /** The drive in which the guest sits or which is still to be debriefed. */
  drive: string | undefined;
  /** Set while a class, sighting run or group holds the guest. */
  heldBy: 'class' | 'sighting' | 'group' | undefined;
  gone: 'noShow' | 'left' | undefined;
  unwell: boolean;
  deskDone: boolean;
  /** Where the recording card is, once it has been handed out. */
  recording: 'guest' | 'desk' | undefined;
  /** Money taken on this day, in the venue's currency. */
  received: number;
  /** What was sold on this day beside the booking. */
  sold: number;
  /** When the last class, run or drive let go of the guest, if one has. */
  freeSinceS: number | undefined;
  /** Time of day of the last entry about the guest. */
  sinceS: number | undefined;
}

interface CountedLap {
  /** When the line was crossed; where that was not seen, when it became known that it had been. */
  readonly atS: number;
  /** Whether somebody or the loop saw this very crossing, so that it ends a lap with a time. */
  readonly seen: boolean;
  readonly source: LapSource;
}

/** The instructor had to brake or steer. */
interface Intervention {
  readonly atS: number;
  readonly lap: number;
  readonly corner: string | undefined;
}

/** What a guest has said of laps that are owed, and the place that was taken for them. */
export type OwedWish = Pick<EntryOf<'owedAgreed'>, 'notBefore' | 'notToday' | 'cars' | 'place'>;

export interface DriveState {
  readonly drive: Drive;
  readonly guest: Guest;
  stage: DriveStage;
  car: string | undefined;
  instructor: string | undefined;
  seatedS: number | undefined;
  /** What the guest's drives before this one have shown of the pace; known from the seat on. */
  paceKnown: PaceKnown | undefined;
  releasedS: number | undefined;
  inS: number | undefined;
  parkedS: number | undefined;
  debriefedS: number | undefined;
  /** Crossings of the line since the release that hold, of both counts together. */
  readonly crossings: CountedLap[];
  readonly count: LapCount;
  /** Laps (1…) that were spoiled, with the reason. */
  readonly spoiled: Map<number, string>;
  /** Laps granted on top of those sold, during the drive or before. */
  extraLaps: number;
  /** One more lap that the instructor has asked for and nobody has answered. */
  extraLapAsked: { readonly reason: ExtraLapReason; readonly atS: number; readonly by: string } | undefined;
  readonly interventions: Intervention[];
  /** What has been looked at at the pit exit before the release. */
  readonly checked: Set<string>;
  /** Lines of the talk in the car that have been said. */
  readonly talked: Set<string>;
  /** Where and how the car stands on the circuit, as long as it does. */
  standing: { readonly safe: boolean; readonly place: number | undefined; readonly sinceS: number } | undefined;
  brokenOff: { readonly reason: BreakOffReason; readonly atS: number; readonly note: string | undefined } | undefined;
  /** What was marked, in the order in which it was entered. */
  readonly marked: MarkedDrive[];
  /** Who has read the card of this drive before it. */
  handoverSeenBy: string | undefined;
  /** What was agreed on the laps owed from this drive. */
  owedWish: OwedWish | undefined;
  /** The booked drive in which the laps owed from this one are driven. */
  madeUpIn: string | undefined;
}

/** What one instructor noticed of a drive. */
type MarkedDrive = Omit<EntryOf<'driveMarked'>, 'kind' | 'id' | 'at' | 'drive' | 'offline' | 'agoMs' | 'corrected'> & {
  readonly atS: number;
};

export type CarStatus = 'ready' | 'seated' | 'onCircuit' | 'turnaround' | 'cooling' | 'refuelling' | 'held';

export interface CarState {
  readonly car: Car;
  status: CarStatus;
  drive: string | undefined;
  /** The group that has it. */
  group: string | undefined;
  heldFor: string | undefined;
  heldSinceS: number | undefined;
  /** When the garage expects a held car back, if it does. */
  backAtS: number | undefined;
  refuelling: boolean;
  /** When it was taken to the bay last. */
  refuelSinceS: number | undefined;
  laps: number;
  /** Laps since the car last stood still for its rest. */
  lapsSinceRest: number;
  parkedS: number | undefined;
  /** Whether the radio in it was answered when it was tested last, in a group. */
  radio: { readonly works: boolean; readonly atS: number } | undefined;
}

export type CrewStatus = 'free' | 'busy' | 'resting' | 'atMeal' | 'off';

export interface CrewState {
  readonly instructor: Instructor;
  status: CrewStatus;
  /** What keeps the instructor: a drive, a group, `class` or a sighting vehicle. */
  busyWith: string | undefined;
  pause: 'rest' | 'meal' | 'off' | undefined;
  laps: number;
}

/** Everything that follows from the journal at one time of the day. */
export interface DayState {
  timeS: number;
  readonly guests: ReadonlyMap<string, GuestState>;
  readonly drives: ReadonlyMap<string, DriveState>;
  readonly groups: ReadonlyMap<string, GroupState>;
  readonly cars: ReadonlyMap<string, CarState>;
  readonly crew: ReadonlyMap<string, CrewState>;
  /** Sighting vehicles that are out, with their guests. */
  readonly sightings: Map<
    string,
    {
      readonly instructor: string;
      readonly guests: readonly string[];
      readonly sinceS: number;
      /** Crossings of the line that the timing loop has seen. */
      readonly crossings: number[];
    }
  >;
  /** Classes that are running, by instructor. */
  readonly classes: Map<string, { readonly guests: readonly string[]; readonly sinceS: number }>;
  /** Classes and runs that are over, with those who were there. */
  readonly taught: {
    readonly instructor: string;
    readonly guests: readonly string[];
    readonly sinceS: number;
    readonly endS: number;
  }[];
  readonly shown: {
    readonly vehicle: string;
    readonly instructor: string;
    readonly guests: readonly string[];
    readonly sinceS: number;
    readonly endS: number;
    readonly crossings: readonly number[];
  }[];
  /** Set where somebody has said that what was running then ends so much later than planned. */
  late: { readonly sinceS: number; readonly byS: number } | undefined;
  flag: FlagState;
  readonly incidents: Incident[];
  /** Crossings of cars that are not entered as being on the circuit. */
  readonly strays: { readonly car: string; readonly atS: number }[];
  /** What was entered and did not fit to what others had entered, with what became of it. */
  readonly resolved: ResolvedEntry[];
  /** What is late and was left as it is: the cause by its key, and up to how much, seconds. */
  readonly left: Map<string, number>;
  /** Set once somebody has closed the day. */
  closed: { readonly atS: number; readonly by: string } | undefined;
  readonly garage: GarageState;
}

export interface FlagState {
  /** Of the entry that called it; nothing where none has been called yet. */
  readonly id: string | undefined;
  readonly flag: FlagKind;
  readonly sinceS: number;
  readonly by: string;
  readonly reason: string | undefined;
  /** After an all-stop: who has seen that the circuit is clear. */
  readonly clearedBy: string | undefined;
}

interface Incident {
  readonly id: string;
  readonly atS: number;
  readonly by: string;
  readonly what: string;
  readonly cars: readonly string[];
  /** Share of the lap from the start line. */
  readonly place: number | undefined;
  readonly unhurt: boolean;
  readonly followUp: string | undefined;
}

interface ResolvedEntry {
  readonly id: string;
  readonly kind: EntryKind;
  readonly atS: number;
  readonly by: string;
  readonly what: Resolution;
}

/** Laps done that count; where the lap out does not, the first crossing ends that lap only. */
export function lapsDone(drive: DriveState, outLapCounts: boolean): number {
  return Math.max(0, drive.crossings.length - (outLapCounts ? 0 : 1));
}

/** The vehicles on the circuit, drives, sighting runs and groups together, those that stand there among them. */
export function vehiclesOnCircuit(state: DayState): number {
  let count = state.sightings.size;
  for (const drive of state.drives.values()) if (drive.stage === 'onCircuit' || drive.stage === 'standing') count += 1;
  for (const { stage, group } of state.groups.values()) {
    if (stage === 'out' && group.surface === CIRCUIT) count += vehiclesOf(group);
  }
  return count;
}

/** The drives whose car stands on the circuit. */
export function standingOnCircuit(state: DayState): DriveState[] {
  return [...state.drives.values()].filter(({ stage }) => stage === 'standing');
}

/** Nothing more is to come for this guest: finished, or gone. */
export function isThrough({ stage, gone }: GuestState): boolean {
  return stage === 'finished' || gone !== undefined;
}

/** Waiver, licence and helmet are all seen to. */
export function isCleared(guest: GuestState): boolean {
  return guest.waiver && guest.licence && guest.helmet;
}
