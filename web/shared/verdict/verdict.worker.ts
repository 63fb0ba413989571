import { judgeOf, type Judgement, type Violation } from '@core/rules';
import type { Plan } from '@core/day';
import type { PlanningSnapshot } from '@core/journal';
import { expose } from 'comlink';

let judge: ReturnType<typeof judgeOf> | undefined;

/** What the thread that checks plans answers: it knows the rules and the cost, and no planner. */
const thread = {
  /** From where changes are judged from now on; gives what is broken there already, and what it costs. */
  judgeFrom({ day, plan, repair }: PlanningSnapshot): {
    readonly violations: readonly Violation[];
    readonly cost: number;
  } {
    judge = judgeOf(day, plan, repair);
    const { violations, cost } = judge.verdict;
    return { violations, cost: cost.total };
  },
  /** Nothing before there is somewhere to stand. */
  judge: (plan: Plan): Judgement | undefined => judge?.of(plan),
};
export type VerdictThread = typeof thread;

expose(thread);
