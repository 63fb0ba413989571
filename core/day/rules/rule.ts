import type { Schedule } from '../schedule';

export const RULE_CODES = [
  'HOURS',
  'GUEST_PRESENT',
  'GUEST_ORDER',
  'GUEST_REST',
  'GUEST_ONCE',
  'CAR_FREE',
  'CAR_FIT',
  'CAR_FUEL',
  'CAR_COOLING',
  'REFUEL_BAYS',
  'CREW_FREE',
  'CREW_SKILL',
  'CREW_LANGUAGE',
  'CREW_AVOID',
  'CREW_REST',
  'CREW_MEAL',
  'CREW_LAPS',
  'PIN',
  'TRACK_GAP',
  'TRACK_LOAD',
  'TRACK_CLOSED',
  'ROOM',
  'SEATS',
  'COMPLETE',
  'REPAIR_STANDS',
  'REPAIR_NOW',
] as const;
export type RuleCode = (typeof RULE_CODES)[number];

/** One broken rule: who, what and when, in one sentence. */
export interface Violation {
  readonly code: RuleCode;
  readonly message: string;
}

/** A hard rule: looks at a laid-out plan and names each place where it is broken. */
export interface Rule {
  readonly code: RuleCode;
  check(schedule: Schedule): Violation[];
}

/** A rule from a function that yields sentences. */
export function rule(code: RuleCode, sentences: (schedule: Schedule) => Iterable<string>): Rule {
  return { code, check: (schedule) => [...sentences(schedule)].map((message) => ({ code, message })) };
}
