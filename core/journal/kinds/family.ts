import type * as z from 'zod';
import type { Day } from '../../day';
import type { Fact } from '../../values';
import type { DayContext } from '../state/context';
import type { DayState } from '../state/day-state';
import type { Refusal } from '../state/refusal';

/** Why an entry that changes the day does not fit to what is set up, and therefore changes nothing. */
export type UnfitReason = Fact<'closesBeforeOpening', object, { closesS: number; opensS: number }>;

/** What the core does with entries of one kind. What they are called stands in `words`. */
export interface EntryRules<E> {
  /** Why an entry is impossible in a state; nothing where it may happen. */
  readonly admit: (state: DayState, entry: E, context: DayContext) => Refusal | undefined;
  /** What it changes of the state, in place. */
  readonly apply: (state: DayState, entry: E, context: DayContext) => void;
  /**
   * Fields that hold free words: in `own` about the guest alone, in `named` of anything, in which a name may stand; and in
   * `emptied` groups of what a guest has said.
   */
  readonly words: { readonly [K in 'own' | 'named' | 'emptied']?: readonly (keyof E & string)[] };
  /** What it changes of the day itself, before it is planned. */
  readonly amends?: (day: Day, entry: E) => Day | UnfitReason;
}

/** The rules of a family of kinds, one for each of its schemas: one without the other does not compile. */
export type Family<S extends Record<string, z.ZodType>> = { readonly [K in keyof S]: EntryRules<z.output<S[K]>> };

/** For kinds that are possible at any time, and for those that change nothing of the state. */
export const always = (): undefined => undefined;
export const nothing = (): void => undefined;
export const NO_WORDS = {};
