import type { daysEndpoints } from '@core/api/endpoints/days';
import { fact } from '@core/day';
import { notFound, refusalOf } from '../problems';
import { EncodedReply } from '../routing/mount';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** Event days and their journals. */
export function daysRoutes({
  store,
  dayCache,
  journal,
  hub,
  clock,
  practice,
  dayClosed,
}: Services): Handlers<typeof daysEndpoints> {
  return {
    listDays: () => ({ days: store.days.list(), erasedAt: store.guests.erasedAt() }),
    addDay: ({ body: { date, practice: practise } }) => {
      if (!store.days.add(date, clock.recordedAt(), practise)) throw refusalOf(fact('dayThere', { date }));
      hub.changed('setup');
      return store.days.list().find((day) => day.date === date)!;
    },
    readDay: ({ params: { date } }) => new EncodedReply(dayCache.viewJson(date)),
    appendEntry: ({ params: { date }, body, response }) => {
      if (body.kind === 'planAccepted' || body.kind === 'timesSlid') throw refusalOf(fact('acceptedByPlanning', {}));
      practice.mayEnter(date, body);
      const { recorded, isNew } = journal.append(date, body);
      if (isNew) practice.entered(date, recorded.entry);
      if (isNew && body.kind === 'dayClosed') dayClosed();
      response.status(isNew ? 201 : 202);
      return recorded;
    },
    streamDay: ({ params: { date }, request, response }) => {
      const { entries } = dayCache.of(date);
      const seen = Number(request.get('last-event-id') ?? Infinity);
      hub.listen(
        response,
        date,
        entries.filter(({ seq }) => seq > (Number.isNaN(seen) ? 0 : seen)),
      );
    },
    readTrack: ({ params: { date, id } }) => {
      const drive = dayCache.stateAt(date).drives.get(id);
      if (!drive) throw notFound('drive', id, date);
      if (drive.car === undefined || drive.releasedS === undefined) return { points: [] };
      const toS = drive.inS ?? drive.parkedS ?? dayCache.nowS(date);
      const points = store.tracks.between(date, drive.car, drive.releasedS, toS);
      return { points: points.map(([atMs, atM, leftM]) => ({ atS: atMs / 1000, atM, leftM })) };
    },
    readGarage: ({ params: { date } }) => {
      dayCache.of(date);
      return dayCache.daysUpTo(date);
    },
    readClose: ({ params: { date } }) => dayCache.closeOf(date),
  };
}
