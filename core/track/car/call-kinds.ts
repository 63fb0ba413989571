import * as z from 'zod';

/** Everything that an instructor calls, in the order in which it comes at a corner. */
export const callKind = z.enum([
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
]);
export type CallKind = z.output<typeof callKind>;

/** How one kind of call is said at a venue; what is missing is as it is elsewhere. */
export const callCustom = z.strictObject({
  /** In the venue's words; `{gear}`, `{where}` and `{side}` stand for what is called. */
  say: z.string().trim().min(1).max(60).optional(),
  /** How long it takes to say, seconds. */
  takesS: z.number().min(0.1).max(4).optional(),
  /** How long before it is to be done it must have been said, seconds. */
  aheadS: z.number().min(0).max(6).optional(),
  /** Not called at this venue. */
  off: z.boolean().optional(),
});
export const callCustoms = z.partialRecord(callKind, callCustom);
export type CallCustoms = z.output<typeof callCustoms>;

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
