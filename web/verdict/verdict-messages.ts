import type { Judgement, Plan, Violation } from '@core/day';
import type { Standpoint } from '@core/journal';
import type { Assignment, Mend, PartOutcome } from '@core/planner';

/** What the board and the thread that checks plans say to each other. */

export type Question =
  | { readonly kind: 'stand'; readonly id: number; readonly standpoint: Standpoint }
  | { readonly kind: 'judge'; readonly id: number; readonly plan: Plan }
  | { readonly kind: 'part'; readonly id: number; readonly proposal: Plan; readonly chosen: ReadonlySet<string> }
  | { readonly kind: 'mends'; readonly id: number; readonly standpoint: Standpoint; readonly drive: string }
  | { readonly kind: 'crew'; readonly id: number; readonly standpoint: Standpoint; readonly drive: string };

export type Answer =
  | { readonly kind: 'stand'; readonly id: number; readonly violations: readonly Violation[]; readonly cost: number }
  | { readonly kind: 'judge'; readonly id: number; readonly judgement: Judgement }
  | { readonly kind: 'part'; readonly id: number; readonly outcome: PartOutcome }
  | { readonly kind: 'mends'; readonly id: number; readonly mends: readonly Mend[] }
  | { readonly kind: 'crew'; readonly id: number; readonly assignments: readonly Assignment[] };
