import { type Day, type Plan, indexDay, type Repair } from '../day';
import { checkPlan, type Verdict } from './check-plan';
import type { Violation } from './rules';

/** What comes of changing a plan. */
export interface Judgement {
  /** Rules that are broken after the change and were not before, or not in this way. */
  readonly broken: readonly Violation[];
  /** What the plan costs more, in minutes of patience; less than 0 where it gets better. */
  readonly costs: number;
}

/** A text by which two violations are the same one. */
export function violationKey({ code, detail, subjects, values }: Violation): string {
  return JSON.stringify([code, detail, subjects, values]);
}

/** A judge of changes to one plan, which is itself checked only once. */
export function judgeOf(day: Day, plan: Plan, repair?: Repair): { verdict: Verdict; of: (changed: Plan) => Judgement } {
  const index = indexDay(day);
  const verdict = checkPlan(day, plan, repair, index);
  const known = new Set(verdict.violations.map(violationKey));
  return {
    verdict,
    of: (changed) => {
      const { violations, cost } = checkPlan(day, changed, repair, index);
      return {
        broken: violations.filter((violation) => !known.has(violationKey(violation))),
        costs: cost.total - verdict.cost.total,
      };
    },
  };
}
