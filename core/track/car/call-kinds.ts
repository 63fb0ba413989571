/** Everything that an instructor calls, in the order in which it comes at a corner. */
export const CALL_ORDER = [
  'look',
  'beOn',
  'hands',
  'lift',
  'brake',
  'keepBraking',
  'gearDown',
  'release',
  'keepWaiting',
  'turn',
  'apex',
  'balance',
  'throttle',
  'easeThrottle',
  'letRun',
  'exit',
  'gearUp',
] as const;
export type CallKind = (typeof CALL_ORDER)[number];

/** What is known of a kind of call wherever it is made. */
export interface CallKindFacts {
  /** Which of two that would be said at once stays: the higher one. */
  readonly weight: number;
  /** How long it takes to say, as a share of an ordinary call. */
  readonly length: number;
  /** Until when it holds: until another call, for a moment, or for as long as it takes. */
  readonly holds: 'untilNext' | 'moment' | 'whileSaid';
}

export const CALL_KINDS: Readonly<Record<CallKind, CallKindFacts>> = {
  look: { weight: 5.5, length: 0.8, holds: 'untilNext' },
  beOn: { weight: 6, length: 1.2, holds: 'untilNext' },
  hands: { weight: 2, length: 0.8, holds: 'moment' },
  lift: { weight: 10, length: 0.6, holds: 'untilNext' },
  brake: { weight: 10, length: 0.6, holds: 'untilNext' },
  keepBraking: { weight: 3, length: 1.6, holds: 'whileSaid' },
  gearDown: { weight: 8, length: 1.2, holds: 'moment' },
  release: { weight: 7, length: 0.8, holds: 'untilNext' },
  keepWaiting: { weight: 5, length: 1.2, holds: 'whileSaid' },
  turn: { weight: 9, length: 0.6, holds: 'moment' },
  apex: { weight: 4, length: 0.6, holds: 'moment' },
  balance: { weight: 3, length: 1.6, holds: 'untilNext' },
  throttle: { weight: 8, length: 1, holds: 'untilNext' },
  easeThrottle: { weight: 7, length: 1, holds: 'moment' },
  letRun: { weight: 3, length: 1, holds: 'untilNext' },
  exit: { weight: 4, length: 1, holds: 'untilNext' },
  gearUp: { weight: 7, length: 1, holds: 'moment' },
};
