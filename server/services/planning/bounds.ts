import type { HowGood } from '@core/api';
import { costOf } from '@core/cost';
import { driveCountOf, layOut } from '@core/day';
import type { Common } from '../common';
import type { PlanJobs } from './plan-jobs';
import type { BoundThread } from '../../workers/bound/bound-thread';

/**
 * How good the plan of a day can be at best, worked out once somebody asks, which is when a plan is on screen: never before,
 * and not while one is being looked for.
 */
export class Bounds {
  constructor(
    private readonly services: Pick<Common, 'dayCache' | 'hub'> & { readonly planJobs: PlanJobs },
    private readonly thread: BoundThread,
  ) {}

  /** What is known of a day by now; asking begins the work, and its end is told as a change of the planning. */
  of(date: string): HowGood {
    const { dayCache, planJobs, hub } = this.services;
    const { day, plan } = dayCache.of(date);
    const bound = this.thread.known(day);
    const job = planJobs.read(date)?.state;
    const isShown = job !== 'running' && (plan !== undefined || job === 'ready');
    if (!bound && isShown && !this.thread.busy) {
      // Where the day has changed meanwhile, who asks again learns so, and begins the next one.
      const told = () => hub.changed('bound', date);
      this.thread.work(day).then(told, () => undefined);
    }
    return {
      bound: bound ?? null,
      cost: plan ? costOf(layOut(day, plan)) : null,
      leftOut: plan?.unplanned.length ?? 0,
      drives: driveCountOf(day),
    };
  }
}
