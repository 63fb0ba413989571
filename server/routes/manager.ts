import { rateLimit } from 'express-rate-limit';
import type { managerEndpoints } from '@core/api/endpoints/manager';
import { fact } from '@core/day';
import { notFound, refusalOf } from '../problems';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

const TRIES = 10;
const TRIES_WITHIN_MS = 10 * 60_000;

/** What is the manager's alone, behind a code. */
export function managerRoutes({ store, dayCache, manager }: Services): Handlers<typeof managerEndpoints> {
  const bookingOf = (date: string, id: string) => {
    if (!store.bookings.get(date, id)) throw notFound('guest', id, date);
  };
  return {
    readManager: ({ request }) => manager.door(request),
    setManagerCode: ({ body: { code }, response }) => manager.setCode(response, code),
    openManager: {
      before: rateLimit({
        limit: TRIES,
        windowMs: TRIES_WITHIN_MS,
        skipSuccessfulRequests: true,
        handler: (_request, _response, next) => next(refusalOf(fact('tooManyCodes', {}))),
      }),
      handle: ({ body: { code }, response }) => manager.open(response, code),
    },
    closeManager: ({ response }) => manager.close(response),
    readPairings: ({ params: { date, id }, request }) => {
      manager.mustBeOpen(request);
      bookingOf(date, id);
      return { reasons: store.manager.reasons(id) };
    },
    changePairings: ({ params: { date, id }, body: { reasons }, request }) => {
      manager.mustBeOpen(request);
      bookingOf(date, id);
      store.manager.changeReasons(id, reasons);
      return { reasons: store.manager.reasons(id) };
    },
    readTeaching: ({ params: { id }, request }) => {
      manager.mustBeOpen(request);
      if (!store.instructors.get(id)) throw notFound('instructor', id);
      const drives = dayCache.teachingUpToNow();
      return { own: drives.filter(({ instructor }) => instructor === id), crew: drives };
    },
  };
}
