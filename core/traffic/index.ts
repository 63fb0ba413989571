/** Where everyone on the circuit is and will be: laps to expect, passes, when to let out, whom a late drive delays. */
export * from './at-exit';
export * from './delays';
export { DRIVE_PACE_SD, estimateLap, GUEST_PACE_SD, paceFrom, type DrivenLaps, type LapEstimate } from './lap-estimate';
export * from './lap-shape';
export * from './meetings';
export * from './on-circuit';
export * from './passes-seen';
export * from './release-advice';
export { crossesInS, offAfter, progressOfRunner, reachedS, type Runner } from './runner';
export * from './trains';
