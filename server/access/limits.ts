import { fact } from '@core/values';
import type { RequestLimit } from '@core/api';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { slowDown } from 'express-slow-down';
import { isThisMachine } from './network/this-machine';
import { refusalOf } from '../base/refusal';

const WITHIN_MS = 10 * 60_000;
const SLOWER_BY_MS = 200;
const SLOWEST_MS = 4000;

/** What holds an endpoint to its limit. */
export function limiterOf(limit: RequestLimit | undefined): RequestHandler[] {
  if (!limit) return [];
  return 'aMinute' in limit ? [aMinute(limit.aMinute)] : wrongCodes(limit.wrongCodes);
}

/**
 * Refuses an address that has tried too many wrong codes, and lets everybody wait a little, never longer than four seconds,
 * once so many have been tried from all addresses together.
 */
function wrongCodes(limit: number): RequestHandler[] {
  const common = { windowMs: WITHIN_MS, skipSuccessfulRequests: true, skip: isThisMachine };
  return [
    rateLimit({
      ...common,
      limit,
      handler: (_request, _response, next) => next(refusalOf(fact('tooManyCodes', {}))),
    }),
    slowDown({
      ...common,
      delayAfter: limit,
      delayMs: (used) => Math.min(SLOWEST_MS, (used - limit) * SLOWER_BY_MS),
      keyGenerator: () => 'venue',
    }),
  ];
}

/** Refuses an address that asks more often. */
function aMinute(most: number): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: most,
    skip: isThisMachine,
    handler: (_request, _response, next) => next(refusalOf(fact('tooManyLines', {}, { most }))),
  });
}
