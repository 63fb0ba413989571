/** Plans: found, bounded, explained, changed by hand. */
export { type Bound, boundOf } from './bound/bound';
export type { Scarce } from './bound/left-out';
export { solverOf } from './bound/program';
export { SMALL_DAY } from './bound/small-day';
export type { WaitsFor } from './bound/waiting';
export { classroomShift, crewShift, guestGaps } from './place/fits';
export { BRIEFING, briefingOccupancy, type Occupancy, refuelOccupancy, SIGHTING } from './place/occupancy';
export { cheapestDrive, putIn } from './place/place-drive';
export { earliestFor, withGuests } from './place/place-shared';
export { problemOf } from './place/problem';
export { normalOf, type Random, randomOf, seededRandom } from './place/random';
export { Timetable } from './place/timetable';
export { acceptInPart, type PartOutcome } from './questions/accept-in-part';
export {
  type Assignment,
  type AssignmentReason,
  assignmentsOf,
  type CarChoice,
  carsFor,
  type Tried,
} from './questions/assignment';
export { bottleneckOf, type Limit, type ResourceLoad } from './questions/bottleneck';
export { type ChangeReason, changesBetween, type PlanChange } from './questions/changes';
export type { Place } from './questions/edits';
export { type Insertion, insertions, offersOf } from './questions/insert';
export {
  type GroupChange,
  groupChanges,
  type SharedActivity,
  type SharedChange,
  sharedChanges,
} from './questions/other-changes';
export { remedied, remediesFor, type Remedy, type RemedyChange, type RevisionReason } from './questions/remedies';
export { type DayRoom, effectOf, roomOf, type RuleEffect } from './questions/rule-effect';
export {
  dayAhead,
  type DayAhead,
  type InTheWay,
  stillSold,
  type StillSold,
  type Stretch,
  STRETCH_S,
  type Wanted,
} from './questions/still-sold';
export { improve, planDay, type PlannedDay, type PlanningOptions } from './search/plan-day';
export { isReady, tidyGuest } from './search/rebuild';
export { MOVES } from './search/search';
