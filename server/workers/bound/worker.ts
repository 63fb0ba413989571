import { parentPort } from 'node:worker_threads';
import type { Day } from '@core/day';
import { boundOf, solverOf, type Bound } from '@core/planner';
import loadHighs from 'highs';

export interface BoundOrder {
  readonly key: string;
  readonly day: Day;
}

export interface BoundReport {
  readonly key: string;
  readonly bound: Bound;
}

const solve = solverOf(await loadHighs());

parentPort!.on('message', ({ key, day }: BoundOrder) => {
  parentPort!.postMessage({ key, bound: boundOf(day, solve) } satisfies BoundReport);
});
