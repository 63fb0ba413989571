import type { Schedule } from '../day';

/** What a broken rule tells: in which of its ways it is broken, of whom (ids and activities), and with which values. */
export interface Breach {
  readonly detail: string;
  readonly subjects: object;
  /** Times in seconds since midnight (`…S` of a day), durations in seconds, amounts with their unit in the name. */
  readonly values: object;
}

/** One way of breaking a rule. */
export interface Broken<D extends string, S extends object, V extends object = object> extends Breach {
  readonly detail: D;
  readonly subjects: Readonly<S>;
  readonly values: Readonly<V>;
}

/** A hard rule: looks at a laid-out plan and names each place where it is broken. */
export interface Rule<C extends string = string, B extends Breach = Breach> {
  readonly code: C;
  check(schedule: Schedule): (B & { readonly code: C })[];
}

/** A rule from a function that yields what is broken. */
export function rule<C extends string, B extends Breach>(
  code: C,
  breaches: (schedule: Schedule) => Iterable<B>,
): Rule<C, B> {
  return { code, check: (schedule) => [...breaches(schedule)].map((breach) => ({ code, ...breach })) };
}
