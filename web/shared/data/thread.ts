import { wrap, type Remote } from 'comlink';

/** A thread has died while somebody waited for its answer. */
export class ThreadFault extends Error {}

/**
 * Computations beside the screen, in a worker that begins with the first question. One that dies answers nobody: whoever
 * waits gets a `ThreadFault`, and the next question begins another. What is thrown by a computation itself comes back as
 * it is, and the thread lives on.
 *
 * @typeParam T what the worker exposes
 */
export class Thread<T extends object> {
  private running: { readonly worker: Worker; readonly remote: Remote<T> } | undefined;
  private readonly waiting = new Set<(fault: ThreadFault) => void>();

  /**
   * @param begin makes the worker
   * @param greet told to each worker before any question: what it has to know, where there is something
   */
  constructor(
    private readonly begin: () => Worker,
    private readonly greet: (remote: Remote<T>) => Promise<unknown> | undefined = () => undefined,
  ) {}

  ask<R>(question: (remote: Remote<T>) => Promise<R>): Promise<R> {
    this.running ??= this.start();
    const { remote } = this.running;
    return new Promise<R>((resolve, reject) => {
      this.waiting.add(reject);
      question(remote)
        .then(resolve, reject)
        .finally(() => this.waiting.delete(reject));
    });
  }

  /**
   * Asks once more where the thread dies over it.
   *
   * @param died told before the second try
   */
  async askTwice<R>(question: (remote: Remote<T>) => Promise<R>, died: () => void): Promise<R> {
    try {
      return await this.ask(question);
    } catch (fault) {
      if (!(fault instanceof ThreadFault)) throw fault;
      died();
      return this.ask(question);
    }
  }

  end(): void {
    this.running?.worker.terminate();
    this.running = undefined;
  }

  private start(): { readonly worker: Worker; readonly remote: Remote<T> } {
    const worker = this.begin();
    const died = (why: string) => {
      if (this.running?.worker !== worker) return;
      this.end();
      const waiting = [...this.waiting];
      this.waiting.clear();
      for (const reject of waiting) reject(new ThreadFault(why));
    };
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      died(event.message || 'The thread has ended.');
    });
    worker.addEventListener('messageerror', () => died('An answer of the thread cannot be read.'));
    const remote = wrap<T>(worker);
    // What goes wrong with it, the question behind it meets as well.
    this.greet(remote)?.catch(() => undefined);
    return { worker, remote };
  }
}
