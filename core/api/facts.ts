import type { Violation } from '../day';
import { factOf } from '../day/any-fact';
import type { ChangeReason } from '../planner';

export { anyFact, type AnyFact } from '../day/any-fact';

export const violationFact = factOf<Violation>();
export const changeReasonFact = factOf<ChangeReason>();
