import { randomUUID } from 'node:crypto';
import type { PlanJob, StartPlanning } from '@core/api';
import { driveCountOf, emptyPlan } from '@core/day';
import { fact } from '@core/values';
import { withGuestsGone, withoutUnknown } from '@core/journal';
import { SMALL_DAY } from '@core/planner';
import type { Logger } from 'pino';
import type { BoundThread } from '../../workers/bound/bound-thread';
import { notFound, refusalOf } from '../../base/refusal';
import type { Common } from '../common';
import { planningTimeS, withOverdue } from './accept';
import { portfolio, type PortfolioOrder } from '../../workers/planner/portfolio';
import type { ThreadReport } from '../../workers/planner/worker';

const SEED = 1;

interface Running {
  readonly job: PlanJob;
  readonly stop: Int32Array;
}

/** Looks for plans in worker threads, one a day at a time, and keeps what it finds as proposals. */
export class PlanJobs {
  private readonly running = new Map<string, Running>();

  constructor(
    private readonly services: Pick<Common, 'store' | 'dayCache' | 'hub' | 'clock'>,
    private readonly boundThread: BoundThread,
    private readonly logger?: Logger,
  ) {
    services.store.planJobs.interruptAll();
  }

  /** @throws Refusal 404 without such a day or revision, 409 where a plan is being looked for already */
  start(date: string, { author, reason, mode, seconds, revision }: StartPlanning): PlanJob {
    const { store, dayCache, hub, clock } = this.services;
    if (this.running.has(date)) throw refusalOf(fact('planningAlready', {}));
    const asOf = planningTimeS(dayCache.nowS(date));
    const { plan, revision: current } = dayCache.of(date);
    const snapshot = dayCache.snapshot(date, asOf);
    const older = mode === 'restore' ? store.days.planOf(date, revision ?? 0)?.plan : undefined;
    if (mode === 'restore' && !older) throw notFound('plan', String(revision), date);

    const stop = new Int32Array(new SharedArrayBuffer(4));
    const least = new Float64Array(new SharedArrayBuffer(8)).fill(-Infinity);
    const id = randomUUID();
    const order: PortfolioOrder = {
      id,
      day: snapshot.day,
      repair: plan && (mode === 'repair' ? snapshot.from : snapshot.repair),
      from: older
        ? withoutUnknown(snapshot.day, older)
        : plan && mode === 'improve' && !snapshot.repair
          ? snapshot.plan
          : undefined,
      seconds,
      seed: SEED,
      current: plan && snapshot.plan,
      stop,
      least,
    };
    // A day without a plan that has begun is planned from now on.
    const fromNow = plan ? order : { ...order, repair: snapshot.repair && { previous: emptyPlan(date), nowS: asOf } };
    const job: PlanJob = {
      id,
      author,
      reason,
      mode,
      seconds,
      startedAt: clock.recordedAt(),
      base: current?.revision ?? 0,
      asOf,
      state: 'running',
      found: null,
    };
    store.planJobs.put(date, job);
    this.running.set(date, { job, stop });
    let asked = false;
    const told = (report: ThreadReport) => {
      // What comes after the search was dropped or its day was taken away is dropped.
      if (this.running.get(date)?.job !== job) return;
      if (report.kind === 'progress') {
        hub.planning(date, report);
        // Only now that a plan is on screen.
        if (!asked) this.prove(fromNow, least);
        asked = true;
        return;
      }
      const { kind: _, id: __, changes, ...found } = report;
      const whole = plan ? withOverdue(snapshot, found.plan) : found.plan;
      this.finish(date, job, {
        state: 'ready',
        found: { ...found, changes: [...changes], plan: withGuestsGone(dayCache.of(date).day, snapshot.day, whole) },
      });
    };
    const failed = (error: Error) => {
      this.logger?.error({ err: error }, 'planning failed');
      this.finish(date, job, { state: 'failed' });
    };
    portfolio.run(fromNow, { told, failed });
    hub.changed('planning', date);
    return job;
  }

  /** A day of a few drives is searched until its best plan is found and proven to be it, or the time is over. */
  private prove({ day, repair }: PortfolioOrder, least: Float64Array): void {
    if (repair || driveCountOf(day) > SMALL_DAY) return;
    this.boundThread.work(day).then(
      ({ total }) => (least[0] = total),
      () => undefined,
    );
  }

  read(date: string): PlanJob | undefined {
    this.services.dayCache.of(date);
    return this.services.store.planJobs.get(date);
  }

  /** Ends the search, with the best plan so far. False where none is running. */
  stop(date: string): boolean {
    const running = this.running.get(date);
    if (running) Atomics.store(running.stop, 0, 1);
    return running !== undefined;
  }

  /** Drops the proposal, or the search for one. */
  drop(date: string): boolean {
    this.stop(date);
    this.running.delete(date);
    const dropped = this.services.store.planJobs.remove(date);
    this.services.hub.changed('planning', date);
    return dropped;
  }

  /** Ends all searches; what was being looked for is told as interrupted at the next start. */
  close(): void {
    for (const date of this.running.keys()) this.stop(date);
    this.running.clear();
  }

  private finish(date: string, job: PlanJob, end: Partial<PlanJob>): void {
    if (this.running.get(date)?.job !== job) return;
    this.running.delete(date);
    this.services.store.planJobs.put(date, { ...job, ...end });
    this.services.hub.changed('planning', date);
  }
}
