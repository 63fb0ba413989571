import type { Worker } from 'node:worker_threads';
import { newWorker } from '../threads/new-worker';
import type { ThreadOrder, ThreadReport } from './worker';

interface Listener {
  readonly told: (report: ThreadReport) => void;
  readonly failed: (error: Error) => void;
}

/**
 * The thread in which plans are looked for, one after the other. It is made when first needed and kept, so that a repair
 * does not wait for it; one that fails takes its orders with it, and the next order gets a new one.
 */
class PlannerThread {
  private worker: Worker | undefined;
  private readonly listeners = new Map<string, Listener>();

  /** Hands an order over; `told` hears of its progress and its end, `failed` of the end of the thread. */
  run(order: ThreadOrder, listener: Listener): void {
    this.worker ??= this.begin();
    this.listeners.set(order.id, listener);
    this.worker.postMessage(order);
  }

  private begin(): Worker {
    const worker = newWorker('planner-worker', './worker.ts', import.meta.url);
    worker.on('message', (report: ThreadReport) => {
      const listener = this.listeners.get(report.id);
      if (report.kind !== 'progress') this.listeners.delete(report.id);
      try {
        listener?.told(report);
      } catch (error) {
        // What one search does with its result is no reason for the server to end.
        if (report.kind === 'progress') this.listeners.delete(report.id);
        listener?.failed(error as Error);
      }
    });
    worker.on('error', (error) => {
      const failed = [...this.listeners.values()];
      this.listeners.clear();
      this.worker = undefined;
      for (const listener of failed) listener.failed(error);
    });
    worker.unref();
    return worker;
  }
}

export const plannerThread = new PlannerThread();
