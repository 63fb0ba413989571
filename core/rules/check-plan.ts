import { type Day, type Plan, indexDay, layOut, type DayIndex, type Repair } from '../day';
import { costOf, type Cost } from '../cost';
import { RULES, type Violation } from './rules';

/** What the checker says of a plan. */
export interface Verdict {
  readonly valid: boolean;
  readonly violations: readonly Violation[];
  readonly cost: Cost;
}

/** Checks a plan against every hard rule and adds up what it costs. */
export function checkPlan(day: Day, plan: Plan, repair?: Repair, index: DayIndex = indexDay(day)): Verdict {
  const schedule = layOut(day, plan, repair, index);
  const violations = RULES.flatMap((rule) => rule.check(schedule));
  return { valid: violations.length === 0, violations, cost: costOf(schedule) };
}
