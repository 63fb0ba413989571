/** What happened, and the state of the day that follows from it. */
export { admit } from './admit';
export {
  type EntryKind,
  type EntryOf,
  journalEntry,
  type JournalEntry,
  recordedEntry,
  type RecordedEntry,
} from './entries/entry';
export { moneyMeans, type MoneyMeans } from './entries/guests';
export {
  type BreakOffReason,
  carPlace,
  type CarPlace,
  extraLapReason,
  type ExtraLapReason,
  faultSeverity,
  type FaultSeverity,
  flagKind,
  type FlagKind,
  type MemberOutReason,
  readiness,
  type Readiness,
  servicePart,
  type ServicePart,
  spacingSaid,
  type SpacingSaid,
} from './entries/parts';
export { partsOfName, withoutNames, withoutWord, withoutWords, wordsOf } from './erase';
export { carsTaken, crewIn } from './kinds/groups';
export { circuitShut } from './kinds/judging';
export { isAbout } from './kinds/registry';
export { withLapsAdded } from './laps-added';
export { nextOccupancy } from './next';
export {
  runningPlan,
  dayAsItIs,
  type PlanningSnapshot,
  planningSnapshotOf,
  withGuestsGone,
  withoutDelays,
  withoutUnknown,
} from './plan-again';
export { isProjected, projectedEntries } from './projected';
export { effectiveEntries, replay, stateOf } from './reduce';
export { contextOf, rescheduled, rescheduledContext } from './rescheduled';
export { journalWithOwed, RunningJournal, sameOwed } from './running';
export { amendedDay, changesTheDay, type Unfit } from './situation';
export { comesInS, dayContext, type DayContext, isSpoiled, lapEstimateOf, progressOf } from './state/context';
export {
  type CarState,
  type CarStatus,
  type CrewStatus,
  type DayState,
  type DriveState,
  type FlagState,
  type GuestStage,
  type GuestState,
  isCleared,
  isThrough,
  type OwedWish,
  standingOnCircuit,
  vehiclesOnCircuit,
} from './state/day-state';
export { nextDate, timeOnDay } from './state/day-time';
export { guestWithFitting } from './state/fitted';
export type { CarFault, CarInGarage, CountedAnswers, FuelMark, GarageState } from './state/garage';
export { carsInOrder, type GroupState, lapsLed, type MemberState } from './state/group-state';
export { countsDiffer, hasStopped } from './state/lap-count';
export { type DrivenLaps, estimateLap, LAP_NOISE, type LapEstimate, paceFrom } from './state/lap-estimate';
export { lapsOwed, type OwedDrive, owedDrives, owedFrom, owedId, withOwedWaiting } from './state/owed';
export type { DriveStep, GateStep, GroupRefusal, GroupStep, Refusal, Resolution } from './state/refusal';
export { sentFor } from './state/sent-for';
export type { DriveStage, GroupStage } from './state/stages';
export { type Station, stationCounts, stationOf } from './stations';
export { stateAt } from './statuses';
export { type TimedLap, timedLaps } from './timed-laps';
