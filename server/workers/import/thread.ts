import { fact } from '@core/values';
import type { Worker } from 'node:worker_threads';
import { refusalOf, type Refusal } from '../../base/refusal';
import { newWorker } from '../new-worker';
import type { ImportOrder, ImportReport, ImportResults } from './worker';

/** A file that takes longer, or more memory, is not what it should be. */
const LONGEST_MS = 30_000;
/** Whoever waits behind another file waits no longer than this. */
const SLOW_MS = 4000;
/** So many files that take long go on beside the others. */
const MOST_SLOW = 2;
const MOST_MEMORY_MB = 512;
/** So many files wait at most. */
const MOST_WAITING = 8;

interface Waiting {
  readonly order: ImportOrder;
  readonly done: (read: never) => void;
  readonly failed: (refusal: Refusal) => void;
}

/** One file in a thread. */
interface Running {
  readonly id: number;
  readonly worker: Worker;
  readonly task: Waiting;
  readonly timers: readonly NodeJS.Timeout[];
}

/**
 * Where files from outside are read, and what takes long is computed from what came in: a thread of its own, with limits of
 * time and memory, one after the other. What a file does there is done to nobody else; one that takes long goes on in its
 * thread while the next ones get another.
 */
class ImportThread {
  /** The thread that has nothing to do, if there is one. */
  private free: Worker | undefined;
  private readonly waiting: Waiting[] = [];
  private readonly running: Running[] = [];
  /** Those that others no longer wait for. */
  private readonly slow = new Set<Running>();
  private lastId = 0;

  /** @throws Refusal 422 where the file cannot be read at all, 503 where too many wait */
  read<O extends ImportOrder>(order: O): Promise<ImportResults[O['kind']]> {
    return new Promise((done, failed) => {
      if (this.waiting.length >= MOST_WAITING) {
        return failed(refusalOf(fact('readingOthers', {})));
      }
      this.waiting.push({ order, done, failed });
      this.next();
    });
  }

  private next(): void {
    if (this.running.length > this.slow.size) return;
    const task = this.waiting.shift();
    if (!task) return;
    const worker = this.free ?? this.begin();
    this.free = undefined;
    const id = ++this.lastId;
    const after = (ms: number, act: () => void) => setTimeout(act, ms).unref();
    const timers = [
      after(SLOW_MS, () => this.letOthersPass(one)),
      after(LONGEST_MS, () => this.stop(one, `It takes over ${LONGEST_MS / 1000} s to read`)),
    ];
    const one: Running = { id, worker, task, timers };
    this.running.push(one);
    worker.postMessage({ id, order: task.order });
  }

  private begin(): Worker {
    const worker = newWorker('import-worker', './worker.ts', import.meta.url, {
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
    worker.on('message', (report: ImportReport) => {
      const one = this.running.find(({ id }) => id === report.id);
      if (!one) return;
      if (this.free) void worker.terminate();
      else this.free = worker;
      this.end(one, (task) => {
        if ('failed' in report) task.failed(unreadable(report.failed));
        else task.done(report.read as never);
      });
    });
    worker.on('error', ({ message }) => {
      if (this.free === worker) this.free = undefined;
      const one = this.running.find((other) => other.worker === worker);
      if (one) this.stop(one, message);
    });
    worker.unref();
    return worker;
  }

  /** Of files that take long only so many go on; the one before gives way. */
  private letOthersPass(one: Running): void {
    const first = this.slow.size >= MOST_SLOW ? [...this.slow][0] : undefined;
    if (first) this.stop(first, 'It takes long, and others wait');
    this.slow.add(one);
    this.next();
  }

  /** Gives up on its thread. */
  private stop(one: Running, why: string): void {
    void one.worker.terminate();
    this.end(one, (task) => task.failed(unreadable(why)));
  }

  private end(one: Running, tell: (task: Waiting) => void): void {
    if (!this.running.includes(one)) return;
    for (const timer of one.timers) clearTimeout(timer);
    this.running.splice(this.running.indexOf(one), 1);
    this.slow.delete(one);
    tell(one.task);
    this.next();
  }
}

const unreadable = (why: string) =>
  refusalOf(fact('unreadableFile', {}, { why }), { faults: [{ path: '(file)', message: why }] });

export const importThread = new ImportThread();
