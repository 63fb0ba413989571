import { availableParallelism } from 'node:os';
import { MessageChannel, type MessagePort, type Worker } from 'node:worker_threads';
import type { Plan } from '@core/day';
import { newWorker } from '../new-worker';
import type { ThreadFound, ThreadOrder, ThreadProgress, ThreadReport } from './worker';

/** What is asked of the portfolio: an order without what belongs to one of its threads. */
export type PortfolioOrder = Omit<ThreadOrder, 'peers'>;

interface Listener {
  readonly told: (report: ThreadReport) => void;
  readonly failed: (error: Error) => void;
}

/** A search in all threads at once. */
interface Running {
  readonly listener: Listener;
  /** To each thread that is still searching: better plans of the others. */
  readonly searching: Map<Worker, MessagePort>;
  /** Cost of the best plan told so far. */
  best: number;
  found: ThreadFound | undefined;
}

/**
 * Several searches for one plan, each in a thread of its own with its own seed: a long search depends much on chance, so
 * the best of several is better than any. Threads are made when first needed and kept, so that a repair does not wait for
 * them. Where one fails, the others go on; where none is left, the orders fail, and the next order gets new threads.
 */
export class Portfolio {
  private readonly threads = new Set<Worker>();
  private readonly running = new Map<string, Running>();

  /** @param size cores less one, which is left to those who ask and are told meanwhile */
  constructor(private readonly size = Math.max(1, availableParallelism() - 1)) {}

  /** Hands an order over; `told` hears of the progress of the best and of its end, `failed` of the end of all threads. */
  run(order: PortfolioOrder, listener: Listener): void {
    // With nothing to search for, more of the same would only be told later.
    const count = order.seconds === undefined ? 1 : this.size;
    while (this.threads.size < count) this.threads.add(this.begin());
    const chosen = [...this.threads].slice(0, count);
    const searching = new Map<Worker, MessagePort>();
    this.running.set(order.id, { listener, searching, best: Infinity, found: undefined });
    chosen.forEach((thread, number) => {
      const { port1, port2 } = new MessageChannel();
      port1.unref();
      searching.set(thread, port1);
      const own: ThreadOrder = { ...order, seed: order.seed + number, peers: count > 1 ? port2 : undefined };
      thread.postMessage(own, count > 1 ? [port2] : []);
    });
  }

  private begin(): Worker {
    const thread = newWorker('planner-worker', './worker.ts', import.meta.url);
    thread.on('message', (report: ThreadReport) => this.hear(thread, report));
    thread.on('error', (error) => {
      this.threads.delete(thread);
      for (const id of this.running.keys()) this.ended(id, thread, error);
    });
    thread.unref();
    return thread;
  }

  private hear(thread: Worker, report: ThreadReport): void {
    const running = this.running.get(report.id);
    if (!running) return;
    if (report.kind === 'found') {
      if (!running.found || report.cost.total < running.found.cost.total) running.found = report;
      return this.ended(report.id, thread);
    }
    if (report.cost.total >= running.best) return;
    running.best = report.cost.total;
    const { plan, ...progress } = report;
    if (plan) this.share(running, thread, plan);
    this.tell(report.id, running, progress);
  }

  private share({ searching }: Running, from: Worker, plan: Plan): void {
    for (const [thread, port] of searching) if (thread !== from) port.postMessage(plan);
  }

  private ended(id: string, thread: Worker, error?: Error): void {
    const running = this.running.get(id);
    const port = running?.searching.get(thread);
    if (!running || !port) return;
    port.close();
    running.searching.delete(thread);
    if (running.searching.size > 0) return;
    this.running.delete(id);
    if (running.found) this.tell(id, running, running.found);
    else running.listener.failed(error ?? new Error('the search found nothing'));
  }

  private tell(id: string, { listener }: Running, report: ThreadProgress | ThreadFound): void {
    try {
      listener.told(report);
    } catch (error) {
      // What one search does with its result is no reason for the server to end.
      this.running.delete(id);
      listener.failed(error as Error);
    }
  }
}

export const portfolio = new Portfolio();
