import { parentPort } from 'node:worker_threads';
import { costOf, layOut, type Cost, type Plan } from '@core/day';
import { changesBetween, type PlanChange } from '@core/planner';
import { runPlanner, type PlannerOrder } from './run';

/** What the thread is given: the order, the plan to compare with, and a flag that ends the search when it is 1. */
export interface ThreadOrder extends PlannerOrder {
  readonly id: string;
  readonly current: Plan | undefined;
  readonly stop: Int32Array;
}

export type ThreadReport =
  | {
      readonly kind: 'progress';
      readonly id: string;
      readonly elapsedS: number;
      readonly steps: number;
      readonly cost: Cost;
      readonly costBefore: Cost | null;
      readonly unplanned: number;
    }
  | {
      readonly kind: 'found';
      readonly id: string;
      readonly plan: Plan;
      readonly cost: Cost;
      readonly costBefore: Cost | null;
      readonly changes: readonly PlanChange[];
      readonly steps: number;
    };

/** Progress is told this often at most. */
const TELL_MS = 250;

parentPort!.on('message', ({ id, current, stop, ...order }: ThreadOrder) => {
  const report = (told: ThreadReport) => parentPort!.postMessage(told);
  const startMs = performance.now();
  const costBefore = current ? costOf(layOut(order.day, current, order.repair)) : null;
  let toldMs = -Infinity;
  const { plan, cost, steps } = runPlanner(order, {
    cancelled: () => Atomics.load(stop, 0) === 1,
    onProgress: ({ steps: taken, best }) => {
      const nowMs = performance.now();
      if (nowMs - toldMs < TELL_MS) return;
      toldMs = nowMs;
      const found = best();
      report({
        kind: 'progress',
        id,
        elapsedS: (nowMs - startMs) / 1000,
        steps: taken,
        cost: found.cost,
        costBefore,
        unplanned: found.plan.unplanned.length,
      });
    },
  });
  const changes = changesBetween(order.day, current ?? { ...plan, drives: [] }, plan);
  report({ kind: 'found', id, plan, cost, costBefore, changes, steps });
});
