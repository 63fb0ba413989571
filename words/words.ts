import type { DeviceRefusal, RequestRefusal, DataIssueFact, DataIssuePlace } from '@core/api';
import type {
  CallCustoms,
  CallFact,
  CardAdvice,
  CardTopic,
  CardValue,
  CornerRemark,
  LapObstacle,
} from '@core/track/car';
import type { Skill, SkillGap } from '@core/people/crew';
import type { Activity, CarMisfit, LeftOutReason, PlannedDrive, SlipFact } from '@core/day';
import type { Cost } from '@core/cost';
import type { Dropped, Violation } from '@core/rules';
import type { LegendFault, LegendWarning, OmittedReason } from '@core/track/circuit';
import type { CloseFigure, ToDo } from '@core/venue/closing';
import type { CueFault, MarkReason, OneThing, TalkFact } from '@core/people/coaching';
import type { DriftCause, DriftLine, RepairChange } from '@core/live/drift';
import type { JournalEntry, Refusal, Resolution } from '@core/journal';
import type {
  AssignmentReason,
  Bound,
  ChangeReason,
  Limit,
  RemedyChange,
  ResourceLoad,
  RevisionReason,
  GroupChange,
  SharedChange,
} from '@core/planner';
import type { AdviceReason, Delay, RunnerName } from '@core/live/traffic';

/** The facts of the product in one language. A sentence begins as people say it and ends without a full stop. */
export interface Words {
  /** "Ines Faro in Dunnock Cup at 11:02". */
  readonly activity: (activity: Activity) => string;
  readonly violation: (violation: Violation) => string;
  readonly misfit: (misfit: CarMisfit) => string;
  readonly dropped: (dropped: Dropped) => string;
  /** Why a drive is left out; with its full stop, as people's own words have one. */
  readonly leftOut: (reason: LeftOutReason) => string;
  /** "11:02, Dunnock Cup, with Anselm Holt". */
  readonly place: (planned: PlannedDrive) => string;
  readonly change: (reason: ChangeReason) => string;
  readonly sharedChange: (change: SharedChange) => string;
  /** "Oval hour at 12:00 instead of 11:30, in Dunnock Cup instead of Halyard GT". */
  readonly groupChange: (change: GroupChange) => string;
  readonly assignment: (reason: AssignmentReason) => string;
  /** @param release the release that the drive would have */
  readonly remedy: (change: RemedyChange, release: number) => string;
  /** Why a plan was accepted that came from a remedy or a free place. */
  readonly revisionReason: (reason: RevisionReason) => string;
  readonly limit: (limit: Limit) => string;
  /** How far a plan can be from the best, in sentences with their full stops; `waiting` is a term of the cost. */
  readonly howGood: (plan: { readonly cost: Cost; readonly leftOut: number }, bound: Bound) => readonly string[];
  /** What an entry says, in a few words, and how its time was corrected. */
  readonly entry: (entry: JournalEntry) => string;
  /** Why an entry is refused; with its full stop. */
  readonly refusal: (refusal: Refusal) => string;
  /** Why a request is refused; with its full stop. */
  readonly request: (refusal: RequestRefusal) => string;
  /** What became of an entry that did not fit; with its full stop. */
  readonly resolution: (resolution: Resolution) => string;
  /** What is at fault in what a day is made from, and what puts it right. */
  readonly dataIssue: (issue: DataIssueFact) => string;
  readonly dataIssueRemedy: (place: DataIssuePlace, issue: DataIssueFact) => string;
  /** Why a line of a device is refused; with its full stop. */
  readonly deviceRefusal: (refusal: DeviceRefusal) => string;
  /** What a vehicle on the circuit is called on the radio. */
  readonly runner: (runner: RunnerName) => string;
  /** Whether to let a car out, and why; with its full stop. */
  readonly advice: (reason: AdviceReason) => string;
  readonly delay: (delay: Delay) => string;
  /** What makes others late. */
  readonly driftCause: (cause: DriftCause) => string;
  /** What can be done about it. */
  readonly repairOption: (change: RepairChange) => string;
  /** What begins later or cannot take place because of it. */
  readonly driftEffect: (line: Pick<DriftLine, 'later' | 'stuck'>) => string;
  /** Why a cone is left away. */
  readonly omitted: (reason: OmittedReason) => string;
  /** Which meanings of a legend look the same, and what to do. */
  readonly legendFault: (fault: LegendFault) => string;
  /** Why a cue cannot be said, and what to do. */
  readonly cueFault: (fault: CueFault) => string;
  readonly legendWarning: (warning: LegendWarning) => string;
  readonly markReason: (reason: MarkReason) => string;
  /** Why this one thing and not another; with its full stop. */
  readonly oneThing: (thing: OneThing) => string;
  /** What to do before tomorrow; with its full stop. */
  readonly toDo: (toDo: ToDo) => string;
  /** What may be a slip in a day file. */
  readonly slip: (slip: SlipFact, of: 'file' | 'venue') => string;
  /** Why there is no lap. */
  readonly lapObstacle: (obstacle: LapObstacle) => string;
  /** What the instructor says, in the venue's words where it has its own. */
  readonly call: (call: CallFact, customs?: CallCustoms) => string;
  readonly cornerRemark: (remark: CornerRemark) => string;
  readonly cardTopic: (topic: CardTopic) => string;
  readonly cardValue: <T extends CardTopic>(topic: T, value: CardValue<T>) => string;
  /** A line of the talk in the car. */
  readonly talk: (line: TalkFact) => string;
  /** What to do otherwise in this car; with its full stop. */
  readonly cardAdvice: (advice: CardAdvice) => string;
  /** How much quicker a drive got from its first lap to its best. */
  readonly gained: (byS: number) => string;
  /** What somebody may do, after "may". */
  readonly skill: (skill: Skill) => string;
  /** Who is left with a skill on which days, and where the others are; with its full stop. */
  readonly gap: (gap: SkillGap) => string;
  /** "Mon 24 May". */
  readonly date: (date: string) => string;
  /** "Sat 22 May 2027". */
  readonly dateWithYear: (date: string) => string;
  readonly figure: (key: CloseFigure['key']) => string;
  readonly resource: (resource: Pick<ResourceLoad, 'kind' | 'id'>) => string;
}
