import { Worker } from 'node:worker_threads';
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
    const worker = newWorker();
    worker.on('message', (report: ThreadReport) => {
      const listener = this.listeners.get(report.id);
      if (report.kind !== 'progress') this.listeners.delete(report.id);
      listener?.told(report);
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

/** The built server has the thread's program beside it; run from source, the thread needs the loader of its parent. */
function newWorker(): Worker {
  if (!import.meta.url.endsWith('.ts')) return new Worker(new URL('./planner-worker.js', import.meta.url));
  const source = JSON.stringify(new URL('./worker.ts', import.meta.url).href);
  const program = `import('tsx/esm/api').then(({ register }) => { register(); return import(${source}); })`;
  return new Worker(program, { eval: true });
}

export const plannerThread = new PlannerThread();
