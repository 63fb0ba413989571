import type { Day } from './day-file';
import { costOf, type Cost } from './cost';
import type { Plan } from './plan-file';
import { RULES, type Violation } from './rules';
import { indexDay, layOut, type DayIndex, type Repair } from './schedule';

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
