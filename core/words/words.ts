import type { RequestRefusal } from '../api';
import type { Activity, CarMisfit, Dropped, LeftOutReason, PlannedDrive, Violation } from '../day';
import type { OmittedReason } from '../circuit';
import type { CloseFigure, ToDo } from '../closing';
import type { MarkReason, OneThing } from '../coaching';
import type { JournalEntry, Refusal, Resolution, Unfit } from '../journal';
import type { AssignmentReason, ChangeReason, Limit, RemedyChange, ResourceLoad, SharedChange } from '../planner';
import type { AdviceReason, Delay, RunnerName } from '../traffic';

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
  readonly assignment: (reason: AssignmentReason) => string;
  /** @param release the release that the drive would have */
  readonly remedy: (change: RemedyChange, release: number) => string;
  readonly limit: (limit: Limit) => string;
  /** What an entry says, in a few words, and how its time was corrected. */
  readonly entry: (entry: JournalEntry) => string;
  /** Why an entry is refused; with its full stop. */
  readonly refusal: (refusal: Refusal) => string;
  /** Why a request is refused; with its full stop. */
  readonly request: (refusal: RequestRefusal) => string;
  /** What became of an entry that did not fit; with its full stop. */
  readonly resolution: (resolution: Resolution) => string;
  /** Why an entry changes nothing of the day. */
  readonly unfit: (unfit: Unfit) => string;
  /** What a vehicle on the circuit is called on the radio. */
  readonly runner: (runner: RunnerName) => string;
  /** Whether to let a car out, and why; with its full stop. */
  readonly advice: (reason: AdviceReason) => string;
  readonly delay: (delay: Delay) => string;
  /** Why a cone is left away. */
  readonly omitted: (reason: OmittedReason) => string;
  readonly markReason: (reason: MarkReason) => string;
  /** Why this one thing and not another; with its full stop. */
  readonly oneThing: (thing: OneThing) => string;
  /** What to do before tomorrow; with its full stop. */
  readonly toDo: (toDo: ToDo) => string;
  readonly figure: (key: CloseFigure['key']) => string;
  readonly resource: (resource: Pick<ResourceLoad, 'kind' | 'id'>) => string;
}
