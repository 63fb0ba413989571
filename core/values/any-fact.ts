import * as z from 'zod';

/** Of any names; a fact's own type knows which. */
const fields = z.record(z.string(), z.unknown()) as unknown as z.ZodType<object, object>;

/** Facts as they travel, comparable; `words` tells them, and docs/facts.md lists their codes. */
export const anyFact = z.object({
  code: z.string(),
  /** Which of the ways in which a rule can be broken. */
  detail: z.string().optional(),
  /** Ids and activities that it is about. */
  subjects: fields,
  values: fields,
});

/** A fact of the server's own, which only needs to be passed on. */
export const factOf = <F>(): z.ZodType<F, F> => anyFact as unknown as z.ZodType<F, F>;
