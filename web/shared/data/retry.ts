import { retry, throwError, timer, type MonoTypeOperatorFunction } from 'rxjs';
import { ApiError } from './api';

const FIRST_MS = 2000;
const LONGEST_MS = 30_000;

/** The pause before another try: twice as long each time, up to half a minute. */
export function pauseMs(tries: number): number {
  return Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.max(0, tries - 1));
}

/**
 * Tries again for as long as no answer comes, with growing pauses; a refusal is an answer and passes through. Whoever
 * unsubscribes ends it.
 *
 * @param onAway told before each pause
 */
export function retryWhileAway<T>(onAway: (error: ApiError) => void = () => undefined): MonoTypeOperatorFunction<T> {
  return retry({
    delay: (error: unknown, tries) => {
      if (!(error instanceof ApiError) || error.problem) return throwError(() => error);
      onAway(error);
      return timer(pauseMs(tries));
    },
    resetOnSuccess: true,
  });
}
