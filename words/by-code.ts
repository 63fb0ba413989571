import type { Fact } from '@core/values';

/** A sentence for every code of a kind of fact: one that is missing does not compile. */
export type ByCode<F extends Fact<string>> = {
  readonly [C in F['code']]: (of: F extends { readonly code: infer D } ? (C extends D ? F : never) : never) => string;
};

/** Tells a fact by the sentence of its code. */
export function tell<F extends Fact<string>>(sentences: ByCode<F>, of: F): string {
  return (sentences as unknown as Record<string, (of: F) => string>)[of.code]!(of);
}
