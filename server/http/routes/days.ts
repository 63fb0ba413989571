import { type daysEndpoints, storedSetup, type StoredSetup } from '@core/api';
import { hoursOn, withDate } from '@core/venue/settings';
import { fact } from '@core/values';
import { copySetup } from '../../services/calendar';
import { notFound, refusalOf } from '../../base/refusal';
import { EncodedReply, type Handlers } from '../mount';
import { stale } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';

/** Event days and their journals. */
export function daysRoutes({
  store,
  dayCache,
  journal,
  hub,
  clock,
  calendar,
  admit,
  practice,
  watch,
  dayClosed,
}: Services): Handlers<typeof daysEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const mustBeThere = (date: string) => {
    if (!store.days.has(date)) throw notFound('eventDay', date);
  };
  const setupView = (date: string): StoredSetup => ({
    version: store.days.setupVersion(date),
    fields: store.days.setupOf(date),
    usual: hoursOn(store.venue.get()!.fields, date, {}),
  });
  return {
    listDays: () => ({ days: store.days.list(), erasedAt: store.guests.erasedAt() }),
    readDaySetup: ({ params: { date } }) => {
      mustBeThere(date);
      return setupView(date);
    },
    changeDaySetup: ({ params: { date }, body: { version, fields } }) => {
      mustBeThere(date);
      const stands = setupView(date);
      if (version !== stands.version) throw stale({ kind: 'eventDay', name: date }, storedSetup, stands);
      store.days.changeSetup(date, fields);
      changed();
      return setupView(date);
    },
    copyDaySetup: ({ params: { date }, body: { to } }) => {
      mustBeThere(date);
      const others = to.filter((other) => other !== date);
      copySetup(store, date, others, clock.recordedAt());
      changed();
      return { days: others.length };
    },
    openCalendarDay: ({ params: { date }, body: { open } }) => {
      const { version, fields } = store.venue.get()!;
      if (open) store.days.add(date, clock.recordedAt());
      else if (store.days.has(date) && !store.days.removeEmpty(date)) throw refusalOf(fact('dayInUse', { date }));
      store.venue.change(version, { ...fields, calendar: withDate(fields.calendar, date, open) });
      calendar.keep();
      changed();
      return { date, open };
    },
    addDay: ({ body: { date, practice: practise } }) => {
      if (!store.days.add(date, clock.recordedAt(), practise)) throw refusalOf(fact('dayThere', { date }));
      hub.changed('setup');
      return store.days.list().find((day) => day.date === date)!;
    },
    readDay: ({ params: { date } }) => new EncodedReply(dayCache.viewJson(date, watch.dataIssues())),
    appendEntry: ({ params: { date }, body, request, response }) => {
      if (body.kind === 'dayClosed') admit('manager', request);
      if (body.kind === 'planAccepted' || body.kind === 'timesSlid') throw refusalOf(fact('acceptedByPlanning', {}));
      practice.mayEnter(date, body);
      const { recorded, isNew } = journal.append(date, body);
      if (isNew) practice.entered(date, recorded.entry);
      if (isNew && body.kind === 'dayClosed') dayClosed();
      response.status(isNew ? 201 : 202);
      return recorded;
    },
    streamDay: ({ params: { date }, query: { page }, request, response }) => {
      const { entries } = dayCache.of(date);
      const seen = Number(request.get('last-event-id') ?? Infinity);
      hub.listen(
        response,
        { date, page },
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
