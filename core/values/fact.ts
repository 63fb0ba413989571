/**
 * What is so: a code, whom or what it is about (ids and activities), and what belongs to it. Facts are compared by value,
 * travel as they are, and become sentences in `words` alone.
 *
 * Values are times in seconds since midnight (`…S` of a moment), durations in seconds, and amounts with their unit in the
 * name.
 */
export interface Fact<C extends string, S extends object = object, V extends object = object> {
  readonly code: C;
  readonly subjects: Readonly<S>;
  readonly values: Readonly<V>;
}

/** Makes a fact; what has no values of its own has none. */
export function fact<C extends string, const S extends object>(code: C, subjects: S): Fact<C, S>;
export function fact<C extends string, const S extends object, const V extends object>(
  code: C,
  subjects: S,
  values: V,
): Fact<C, S, V>;
export function fact<C extends string, S extends object>(code: C, subjects: S, values: object = {}): Fact<C, S> {
  return { code, subjects, values };
}
