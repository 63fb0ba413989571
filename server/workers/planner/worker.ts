import { parentPort, receiveMessageOnPort, type MessagePort } from 'node:worker_threads';
import { costOf, type Cost } from '@core/cost';
import { layOut, type Plan } from '@core/day';
import { changesBetween, type PlanChange } from '@core/planner';
import { runPlanner, type PlannerOrder } from './run';

/** What a thread is given: the order, the plan to compare with, and a flag that ends the search when it is 1. */
export interface ThreadOrder extends PlannerOrder {
  readonly id: string;
  readonly current: Plan | undefined;
  readonly stop: Int32Array;
  /** Below what no plan can cost, once that is known. */
  readonly least: Float64Array;
  /** Where better plans of other threads with the same order arrive. */
  readonly peers: MessagePort | undefined;
}

export interface ThreadProgress {
  readonly kind: 'progress';
  readonly id: string;
  readonly elapsedS: number;
  readonly steps: number;
  readonly cost: Cost;
  readonly costBefore: Cost | null;
  readonly unplanned: number;
  /** The plan itself, where other threads look for one too. */
  readonly plan?: Plan;
}

export interface ThreadFound {
  readonly kind: 'found';
  readonly id: string;
  readonly plan: Plan;
  readonly cost: Cost;
  readonly costBefore: Cost | null;
  readonly changes: readonly PlanChange[];
  readonly steps: number;
}

export type ThreadReport = ThreadProgress | ThreadFound;

/** Progress is told this often at most. */
const TELL_MS = 250;

parentPort!.on('message', ({ id, current, stop, least, peers, ...order }: ThreadOrder) => {
  const report = (told: ThreadReport) => parentPort!.postMessage(told);
  const startMs = performance.now();
  const costBefore = current ? costOf(layOut(order.day, current, order.repair)) : null;
  let toldMs = -Infinity;
  const { plan, cost, steps } = runPlanner(order, {
    cancelled: () => Atomics.load(stop, 0) === 1,
    least: () => least[0]!,
    ...(peers ? { elsewhere: () => latestOf(peers) } : {}),
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
        ...(peers ? { plan: found.plan } : {}),
      });
    },
  });
  peers?.close();
  const changes = changesBetween(order.day, current ?? { ...plan, drives: [] }, plan);
  report({ kind: 'found', id, plan, cost, costBefore, changes, steps });
});

/** The last of the plans that have arrived; each is better than the one before. */
function latestOf(peers: MessagePort): Plan | undefined {
  let latest: Plan | undefined;
  for (;;) {
    const received = receiveMessageOnPort(peers);
    if (!received) return latest;
    latest = received.message as Plan;
  }
}
