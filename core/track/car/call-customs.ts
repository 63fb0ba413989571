import * as z from 'zod';
import { CALL_ORDER } from './call-kinds';

/** How one kind of call is said at a venue; what is missing is as it is elsewhere. */
const callCustom = z.strictObject({
  /** In the venue's words; `{gear}`, `{where}` and `{side}` stand for what is called. */
  say: z.string().trim().min(1).max(60).optional(),
  /** How long it takes to say, seconds. */
  takesS: z.number().min(0.1).max(4).optional(),
  /** How long before it is to be done it must have been said, seconds. */
  aheadS: z.number().min(0).max(6).optional(),
  /** Not called at this venue. */
  off: z.boolean().optional(),
});
export const callCustoms = z.partialRecord(z.enum(CALL_ORDER), callCustom);
export type CallCustoms = z.output<typeof callCustoms>;
