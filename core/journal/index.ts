/** What happened, and the state of the day that follows from it. */
export * from './admit';
export * from './day-state';
export * from './entry';
export * from './next';
export * from './owed';
export type { DriveStep, GateStep, Refusal, Settlement } from './refusal';
export * from './plan-again';
export { isProjected, projectedEntries } from './projected';
export { timeOnDay, nextDate, type ClockTime } from './day-time';
export { asSituated, changesTheDay, type Situated, type Unfit } from './situation';
export { dayContext, isSpoiled, lapEstimateOf, progressOf, type DayContext } from './context';
export { countsDiffer, hasStopped, type CountMark, type LapCount } from './lap-count';
export * from './erase';
export * from './garage';
export { effectiveEntries, stateOf } from './reduce';
export { journalWithOwed, RunningJournal, sameOwed } from './running';
export * from './stations';
export * from './timed-laps';
