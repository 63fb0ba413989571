import { Router } from 'express';
import { contract } from '@core/api';
import { conflict } from '../problems';
import type { Services } from '../services';
import { EncodedReply, mount } from './mount';

/** Event days and their journals. */
export function dayRoutes({ store, room, journal, hub, clock, dayClosed }: Services): Router {
  const router = Router();
  mount(router, contract.listDays, () => ({ days: store.days.list(), erasedAt: store.guests.erasedAt() }));
  mount(router, contract.addDay, ({ body: { date } }) => {
    if (!store.days.add(date, clock.recordedAt())) throw conflict(`The event day ${date} is there already.`);
    hub.changed('setup');
    return store.days.list().find((day) => day.date === date)!;
  });
  mount(router, contract.readDay, ({ params: { date } }) => new EncodedReply(room.viewJson(date)));
  mount(router, contract.readGarage, ({ params: { date } }) => {
    room.of(date);
    return room.daysUpTo(date);
  });
  mount(router, contract.readClose, ({ params: { date } }) => room.closeOf(date));
  mount(router, contract.appendEntry, ({ params: { date }, body, response }) => {
    if (body.kind === 'planAccepted') throw conflict('A plan is accepted by planning, not by an entry.');
    const { recorded, isNew } = journal.append(date, body);
    if (isNew && body.kind === 'dayClosed') dayClosed();
    response.status(isNew ? 201 : 202);
    return recorded;
  });
  router.get('/api/days/:date/stream', (request, response) => {
    const { date } = request.params;
    const { entries } = room.of(date);
    const seen = Number(request.get('last-event-id') ?? Infinity);
    hub.listen(
      response,
      date,
      entries.filter(({ seq }) => seq > (Number.isNaN(seen) ? 0 : seen)),
    );
  });
  return router;
}
