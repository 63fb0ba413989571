import { fact } from '@core/day';
import { rateLimit } from 'express-rate-limit';
import { refusalOf } from '../problems';

const WITHIN_MS = 10 * 60_000;

/** Refuses who has tried too many wrong codes within ten minutes; those behind a proxy count as one. */
export function fewTries(limit: number) {
  return rateLimit({
    limit,
    windowMs: WITHIN_MS,
    skipSuccessfulRequests: true,
    validate: { xForwardedForHeader: false, forwardedHeader: false },
    handler: (_request, _response, next) => next(refusalOf(fact('tooManyCodes', {}))),
  });
}
