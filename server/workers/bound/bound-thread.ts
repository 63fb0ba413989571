import { createHash } from 'node:crypto';
import type { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import type { Day } from '@core/day';
import type { Bound } from '@core/planner';
import { newWorker } from '../new-worker';
import type { BoundOrder, BoundReport } from './worker';

/** So many days are remembered; a day that changes is another one. */
const MOST_KNOWN = 20;

interface Waiting {
  readonly answer: Promise<Bound>;
  readonly resolve: (bound: Bound) => void;
  readonly reject: (error: Error) => void;
}

/** Works out below what no plan of a day can be: in a thread of its own, one day after the other, each once. */
export class BoundThread {
  private thread: Worker | undefined;
  private readonly found = new Map<string, Bound>();
  private readonly waiting = new Map<string, Waiting>();

  constructor(private readonly logger?: Logger) {}

  /** The bound of a day, where it has been worked out. */
  known(day: Day): Bound | undefined {
    return this.found.get(keyOf(day));
  }

  get busy(): boolean {
    return this.waiting.size > 0;
  }

  /** @throws Error where the thread breaks down; the next question gets a new one */
  work(day: Day): Promise<Bound> {
    const key = keyOf(day);
    const found = this.found.get(key);
    if (found) return Promise.resolve(found);
    const asked = this.waiting.get(key);
    if (asked) return asked.answer;
    let ends!: Pick<Waiting, 'resolve' | 'reject'>;
    const answer = new Promise<Bound>((resolve, reject) => (ends = { resolve, reject }));
    this.waiting.set(key, { answer, ...ends });
    this.thread ??= this.begin();
    this.thread.postMessage({ key, day } satisfies BoundOrder);
    return answer;
  }

  close(): void {
    void this.thread?.terminate();
    this.thread = undefined;
  }

  private begin(): Worker {
    const thread = newWorker('bound-worker', './worker.ts', import.meta.url);
    thread.on('message', ({ key, bound }: BoundReport) => this.keep(key, bound));
    thread.on('error', (error) => {
      this.logger?.error({ err: error }, 'no bound could be worked out');
      this.thread = undefined;
      for (const { reject } of this.waiting.values()) reject(error);
      this.waiting.clear();
    });
    thread.unref();
    return thread;
  }

  private keep(key: string, bound: Bound): void {
    this.found.set(key, bound);
    const [oldest] = this.found.keys();
    if (this.found.size > MOST_KNOWN && oldest !== undefined) this.found.delete(oldest);
    this.waiting.get(key)?.resolve(bound);
    this.waiting.delete(key);
  }
}

function keyOf(day: Day): string {
  return createHash('sha1').update(JSON.stringify(day)).digest('hex');
}
