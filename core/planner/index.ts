/** Plans a day: what it takes is a day file and, to plan again, the plan before and the time. */
export { acceptInPart, type PartOutcome } from './accept-in-part';
export { boundOf, solverOf, SMALL_DAY, type Bound, type Scarce, type SolveProgram, type WaitsFor } from './bound';
export { bottleneckOf, type Bottleneck, type Limit, type ResourceLoad } from './bottleneck';
export {
  changesBetween,
  groupChanges,
  sharedChanges,
  type ChangeReason,
  type GroupChange,
  type PlanChange,
  type SharedActivity,
  type SharedChange,
} from './changes';
export { leaveOut, moveDrive, moveGroup, restated, shiftDrives, swapDrives, type Place } from './edits';
export { insertions, offersOf, type Insertion, type Insertions } from './insert';
export { remedied, remediesFor, withRemedy, type Remedy, type RemedyChange, type RevisionReason } from './remedies';
export { improve, planDay, type PlannedDay, type PlanningOptions, type PlanningProgress } from './plan-day';
export { normalOf, randomOf, seededRandom, type Random } from './random';
export {
  dayAhead,
  STRETCH_S,
  stillSold,
  type DayAhead,
  type InTheWay,
  type StillSold,
  type Stretch,
  type Wanted,
} from './still-sold';
export * from './assignment';
export { effectOf, roomOf, type DayRoom, type RuleEffect } from './rule-effect';
