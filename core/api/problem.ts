import * as z from 'zod';
import { anyFact } from '../values';

/** A fault of a request, as problem documents carry it. */
const fault = z.object({ path: z.string(), message: z.string() });

/** Problem document (RFC 9457): every refusal has this shape. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  /** A sentence for the person at the screen. */
  detail: z.string(),
  faults: z.array(fault).optional(),
  /** What stands in the way, as facts. */
  facts: z.array(anyFact).optional(),
  /** On a conflict: what is stored now. */
  current: z.unknown().optional(),
});
export type Problem = z.output<typeof problem>;
