import { Worker, type WorkerOptions } from 'node:worker_threads';

/**
 * A worker thread. The built server has the thread's program beside it; run from source, the thread needs the loader of
 * its parent.
 *
 * @param built name of the program in the built server
 * @param source its file, beside the module that asks
 */
export function newWorker(built: string, source: string, from: string, options: WorkerOptions = {}): Worker {
  if (!from.endsWith('.ts')) return new Worker(new URL(`./${built}.js`, from), options);
  const file = JSON.stringify(new URL(source, from).href);
  const program = `import('tsx/esm/api').then(({ register }) => { register(); return import(${file}); })`;
  return new Worker(program, { ...options, eval: true });
}
