import type { Violation } from '../rules';
import { factOf } from '../values';
import type { ChangeReason } from '../planner';

export const violationFact = factOf<Violation>();
export const changeReasonFact = factOf<ChangeReason>();
