import type { weights, Schedule } from '../day';
import type * as z from 'zod';

export type TermName = keyof z.output<typeof weights>;

/** A cost term: how much of what nobody wants a laid-out plan has, before it is weighted. */
export interface CostTerm {
  readonly name: TermName;
  /** Default weight; `rules.weights` of the day may override it. */
  readonly weight: number;
  of(schedule: Schedule): number;
}
