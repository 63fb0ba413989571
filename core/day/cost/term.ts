import type { weights } from '../day-file';
import type * as z from 'zod';
import type { Schedule } from '../schedule';

export type TermName = keyof z.output<typeof weights>;

/** A cost term: how much of what nobody wants a laid-out plan has, before it is weighted. */
export interface CostTerm {
  readonly name: TermName;
  /** Default weight; `rules.weights` of the day may override it. */
  readonly weight: number;
  of(schedule: Schedule): number;
}
