import type { managerEndpoints } from '@core/api';
import { notFound } from '../../base/refusal';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** What is the manager's alone, behind a code. */
export function managerRoutes({ store, dayCache, manager }: Services): Handlers<typeof managerEndpoints> {
  const bookingOf = (date: string, id: string) => {
    if (!store.bookings.get(date, id)) throw notFound('guest', id, date);
  };
  return {
    readManager: ({ request }) => manager.access(request),
    setManagerCode: ({ body: { code }, response }) => manager.setCode(response, code),
    openManager: ({ body: { code }, response }) => manager.open(response, code),
    closeManager: ({ response }) => manager.close(response),
    readPairings: ({ params: { date, id } }) => {
      bookingOf(date, id);
      return { reasons: store.manager.reasons(id) };
    },
    changePairings: ({ params: { date, id }, body: { reasons } }) => {
      bookingOf(date, id);
      store.manager.changeReasons(id, reasons);
      return { reasons: store.manager.reasons(id) };
    },
    readTeaching: ({ params: { id } }) => {
      if (!store.instructors.get(id)) throw notFound('instructor', id);
      const drives = dayCache.teachingUpToNow();
      return { own: drives.filter(({ instructor }) => instructor === id), crew: drives };
    },
  };
}
