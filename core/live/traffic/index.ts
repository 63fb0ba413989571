/** Cars on the circuit now: who meets whom, whom a release delays, and when there is room. */
export { exitLimits, waitingDrive, waitingRun } from './at-exit';
export { type Delay, delaysOf } from './delays';
export { EVEN_RING, type LapShape, lapShapeOf, lapSpeeds } from './lap-shape';
export { type Pass, passesOf } from './meetings';
export { crossingsDue, runnersOf } from './on-circuit';
export { passesSeen } from './passes-seen';
export {
  type AdviceReason,
  PRICES,
  releaseAdvice,
  type ReleaseAdvice,
  type ReleaseLimits,
  type ReleaseWindow,
  type RunnerName,
  SWAP_FROM,
  swapSaves,
  type Waiting,
  type WaitingPrices,
} from './release-advice';
export { crossesInS, offAfter, progressOfRunner, type Runner } from './runner';
export { trainsAt, trainsBeside, waitingTrain } from './trains';
