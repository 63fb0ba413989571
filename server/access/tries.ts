import { fact } from '@core/values';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { slowDown } from 'express-slow-down';
import { isThisMachine } from './network/this-machine';
import { refusalOf } from '../base/refusal';

/** So many requests with lines of devices an address may send in a minute. */
const LINES_A_MINUTE = 1200;
const WITHIN_MS = 10 * 60_000;
const SLOWER_BY_MS = 200;
const SLOWEST_MS = 4000;

/**
 * Refuses an address that has tried too many wrong codes within ten minutes, and lets everybody wait a little, never
 * longer than four seconds, once so many have been tried from all addresses together. The server's own machine is let
 * through.
 */
export function fewTries(limit: number): RequestHandler[] {
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

/** Refuses an address that sends lines of devices more often than any device does. */
export function fewLines(): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: LINES_A_MINUTE,
    skip: isThisMachine,
    handler: (_request, _response, next) => next(refusalOf(fact('tooManyLines', {}, { most: LINES_A_MINUTE }))),
  });
}
