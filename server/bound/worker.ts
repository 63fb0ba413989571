import loadHighs from 'highs';
import { parentPort } from 'node:worker_threads';
import type { Day } from '@core/day';
import { boundOf, type Bound, type SolveProgram } from '@core/planner';

export interface BoundOrder {
  readonly key: string;
  readonly day: Day;
}

export interface BoundReport {
  readonly key: string;
  readonly bound: Bound;
}

const highs = await loadHighs();

const solve: SolveProgram = (program, limitS) => {
  const options = { time_limit: limitS, mip_rel_gap: 0, mip_abs_gap: 1e-4, output_flag: false };
  const { Status, ObjectiveValue } = highs.solve(program, options);
  return Status === 'Optimal' ? ObjectiveValue : undefined;
};

parentPort!.on('message', ({ key, day }: BoundOrder) => {
  parentPort!.postMessage({ key, bound: boundOf(day, solve) } satisfies BoundReport);
});
