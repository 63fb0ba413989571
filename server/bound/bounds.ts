import { createHash } from 'node:crypto';
import type { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import type { HowGood } from '@core/api';
import { costOf, layOut } from '@core/day';
import type { Bound } from '@core/planner';
import type { Services } from '../services';
import { newWorker } from '../threads/new-worker';
import type { BoundOrder, BoundReport } from './worker';

/** So many days are remembered; a day that changes is another one. */
const MOST_KNOWN = 20;

/**
 * How good the plan of a day can be at best, worked out in a thread of its own once somebody asks, which is when a plan is
 * on screen: never before, and not while one is being looked for.
 */
export class Bounds {
  private thread: Worker | undefined;
  private readonly known = new Map<string, Bound>();
  /** What is being worked out: one day after the other. */
  private working: { readonly key: string; readonly date: string } | undefined;

  constructor(
    private readonly services: Pick<Services, 'dayCache' | 'hub' | 'planJobs'>,
    private readonly logger?: Logger,
  ) {}

  /** What is known of a day by now; asking begins the work, and its end is told as a change of the planning. */
  of(date: string): HowGood {
    const { day, plan } = this.services.dayCache.of(date);
    const key = createHash('sha1').update(JSON.stringify(day)).digest('hex');
    const bound = this.known.get(key);
    const job = this.services.planJobs.read(date)?.state;
    const isShown = job !== 'running' && (plan !== undefined || job === 'ready');
    if (!bound && isShown && !this.working) this.begin({ key, day }, date);
    return {
      bound: bound ?? null,
      cost: plan ? costOf(layOut(day, plan)) : null,
      leftOut: plan?.unplanned.length ?? 0,
      drives: day.guests.reduce((sum, { drives }) => sum + drives.length, 0),
    };
  }

  close(): void {
    void this.thread?.terminate();
    this.thread = undefined;
  }

  private begin(order: BoundOrder, date: string): void {
    this.working = { key: order.key, date };
    this.thread ??= this.newThread();
    this.thread.postMessage(order);
  }

  private newThread(): Worker {
    const thread = newWorker('bound-worker', './worker.ts', import.meta.url);
    thread.on('message', ({ key, bound }: BoundReport) => this.keep(key, bound));
    thread.on('error', (error) => {
      this.logger?.error({ err: error }, 'no bound could be worked out');
      this.thread = undefined;
      this.working = undefined;
    });
    thread.unref();
    return thread;
  }

  private keep(key: string, bound: Bound): void {
    this.known.set(key, bound);
    const [oldest] = this.known.keys();
    if (this.known.size > MOST_KNOWN && oldest !== undefined) this.known.delete(oldest);
    const date = this.working?.date;
    this.working = undefined;
    // Where the day has changed meanwhile, who asks again learns so, and begins the next one.
    this.services.hub.changed('bound', date);
  }
}
