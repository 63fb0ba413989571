import { fact } from '@core/day';
import type { Worker } from 'node:worker_threads';
import { refusalOf, type Refusal } from '../problems';
import { newWorker } from '../threads/new-worker';
import type { ReadingOrder, ReadingReport, Readings } from './worker';

/** A file that takes longer, or more memory, is not what it should be. */
const LONGEST_MS = 30_000;
const MOST_MEMORY_MB = 512;
/** So many files wait at most. */
const MOST_WAITING = 8;

interface Waiting {
  readonly order: ReadingOrder;
  readonly done: (read: never) => void;
  readonly failed: (refusal: Refusal) => void;
}

/**
 * Where files from outside are read, and what takes long is computed from what came in: a thread of its own, with limits of
 * time and memory, one after the other. What a file does there is done to nobody else, and nobody waits for it but who
 * sent it.
 */
class ReadingThread {
  private worker: Worker | undefined;
  private readonly waiting: Waiting[] = [];
  private running: { readonly id: number; readonly task: Waiting; readonly timer: NodeJS.Timeout } | undefined;
  private lastId = 0;

  /** @throws Refusal 422 where the file cannot be read at all, 503 where too many wait */
  read<O extends ReadingOrder>(order: O): Promise<Readings[O['kind']]> {
    return new Promise((done, failed) => {
      if (this.waiting.length >= MOST_WAITING) {
        return failed(refusalOf(fact('readingOthers', {})));
      }
      this.waiting.push({ order, done, failed });
      this.next();
    });
  }

  private next(): void {
    if (this.running) return;
    const task = this.waiting.shift();
    if (!task) return;
    this.worker ??= this.begin();
    const id = ++this.lastId;
    const timer = setTimeout(() => this.stop(`It takes over ${LONGEST_MS / 1000} s to read`), LONGEST_MS);
    timer.unref();
    this.running = { id, task, timer };
    this.worker.postMessage({ id, order: task.order });
  }

  private begin(): Worker {
    const worker = newWorker('reading-worker', './worker.ts', import.meta.url, {
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
    worker.on('message', (report: ReadingReport) => {
      if (report.id !== this.running?.id) return;
      if ('failed' in report) this.end((task) => task.failed(unreadable(report.failed)));
      else this.end((task) => task.done(report.read as never));
    });
    worker.on('error', ({ message }) => {
      if (this.worker === worker) this.stop(message);
    });
    worker.unref();
    return worker;
  }

  /** Gives up on the thread; the next file gets a new one. */
  private stop(why: string): void {
    void this.worker?.terminate();
    this.worker = undefined;
    this.end((task) => task.failed(unreadable(why)));
  }

  private end(tell: (task: Waiting) => void): void {
    const { running } = this;
    if (!running) return;
    clearTimeout(running.timer);
    this.running = undefined;
    tell(running.task);
    this.next();
  }
}

const unreadable = (why: string) =>
  refusalOf(fact('unreadableFile', {}, { why }), { faults: [{ path: '(file)', message: why }] });

export const readingThread = new ReadingThread();
