import { checkPlan, costOf, layOut, type Cost, type Day, type Plan, type Repair } from '../day';
import { constructPlan } from './construct';
import type { Random } from './random';

/** When to stop looking for a better plan. At least one construction always runs to its end. */
export interface PlanningLimits {
  /** Constructions to try; the first goes strictly by time, each further one shuffles the guests' turns. */
  readonly iterations?: number;
  /** Asked before each further construction. */
  readonly expired?: () => boolean;
  readonly random: Random;
}

export interface PlannedDay {
  readonly plan: Plan;
  readonly cost: Cost;
  readonly constructions: number;
}

/**
 * Plans a day, or plans again from `repair.nowS` on. The best of several constructions wins; later, cleverer ways to
 * improve a plan join here.
 */
export function planDay(day: Day, limits: PlanningLimits, repair?: Repair): PlannedDay {
  const most = limits.iterations ?? Infinity;
  let best = priced(day, constructPlan(day, repair), repair);
  let constructions = 1;
  while (constructions < most && !(limits.expired?.() ?? false)) {
    const next = priced(day, constructPlan(day, repair, limits.random), repair);
    constructions += 1;
    if (next.cost.total < best.cost.total && checkPlan(day, next.plan, repair).valid) best = next;
  }
  return { ...best, constructions };
}

function priced(day: Day, plan: Plan, repair: Repair | undefined): { plan: Plan; cost: Cost } {
  return { plan, cost: costOf(layOut(day, plan, repair)) };
}
