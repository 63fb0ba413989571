import { defer, map, type Observable } from 'rxjs';

/** An answer, and how long this try took: asked again after a pause, the time begins anew. Milliseconds. */
export interface Timed<T> {
  readonly answer: T;
  readonly tookMs: number;
}

export function timed<T>(ask: () => Observable<T>): Observable<Timed<T>> {
  return defer(() => {
    const askedMs = performance.now();
    return ask().pipe(map((answer) => ({ answer, tookMs: performance.now() - askedMs })));
  });
}
