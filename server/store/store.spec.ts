import { bookingFields } from '@core/venue/booking';
import { aPlan, at, drive } from '@core/testing/small-day';
import { CREW, FLEET, LARKMERE } from '../../demo/larkmere';
import { openDatabase } from './database';
import { bookingBody, DATE } from '../testing/test-server';
import { openStore, type Store } from './';

describe('The tables', () => {
  let store: Store;
  beforeEach(() => {
    store = openStore(openDatabase(':memory:'));
    store.venue.create(LARKMERE);
    store.days.add(DATE, '2027-05-22T06:00:00.000Z');
  });
  afterEach(() => store.db.close());
  const fields = (more: Record<string, unknown> = {}) => bookingFields.parse(bookingBody(more));

  it('give back what was put in, times in seconds again', () => {
    store.bookings.add(DATE, 'b1', fields({ leavesBy: '13:30' }));
    const { arrives, leavesBy } = store.bookings.get(DATE, 'b1')!.fields;
    expect([arrives, leavesBy]).toEqual([at('09:10'), at('13:30')]);
    for (const car of FLEET) store.cars.add(car.id, car);
    for (const instructor of CREW) store.instructors.add(instructor.id, instructor);
    expect(JSON.stringify(store.cars.list().map(({ fields: { number } }) => number))).toBe(
      JSON.stringify(FLEET.map(({ number }) => number)),
    );
    expect(store.cars.get('c11')!.fields).toEqual(FLEET[10]!);
    expect(store.instructors.list().map(({ fields: instructor }) => instructor)).toEqual(CREW);
    expect(store.venue.get()).toEqual({ version: 1, fields: LARKMERE });
  });

  it('list bookings in the order of arrival', () => {
    store.bookings.add(DATE, 'b1', fields({ reference: 'A1', arrives: '11:00' }));
    store.bookings.add(DATE, 'b2', fields({ reference: 'A2', arrives: '09:00' }));
    expect(store.bookings.list(DATE).map(({ id }) => id)).toEqual(['b2', 'b1']);
    expect(store.bookings.list('2027-05-23')).toEqual([]);
  });

  it('count versions, and change nothing for a stale one', () => {
    store.bookings.add(DATE, 'b1', fields());
    expect(store.bookings.change(DATE, 'b1', 1, fields({ paid: 10 })).outcome).toBe('changed');
    expect(store.bookings.change(DATE, 'b1', 1, fields({ paid: 20 })).outcome).toBe('stale');
    expect(store.bookings.get(DATE, 'b1')).toEqual(jasmine.objectContaining({ version: 2 }));
    expect(store.bookings.get(DATE, 'b1')!.fields.paid).toBe(10);
    expect(store.bookings.change(DATE, 'none', 1, fields()).outcome).toBe('missing');
  });

  it('let no booking take the reference of another', () => {
    store.bookings.add(DATE, 'b1', fields());
    store.bookings.add(DATE, 'b2', fields({ reference: 'A2' }));
    expect(store.bookings.change(DATE, 'b2', 1, fields({ reference: 'A1' })).outcome).toBe('referenceTaken');
    expect(store.bookings.add(DATE, 'b3', fields()).outcome).toBe('referenceTaken');
  });

  it('number the plans of a day, and show the newest', () => {
    const by = { author: 'Maren', reason: 'First plan', acceptedAt: '2027-05-22T06:30:00.000Z' };
    expect(store.days.currentPlan(DATE)).toBeUndefined();
    store.days.acceptPlan(DATE, aPlan({ drives: [drive('10:00')] }), by);
    store.days.acceptPlan(DATE, aPlan({ drives: [drive('10:05:15')] }), { ...by, reason: 'Again' });
    expect(store.days.currentPlan(DATE)!.plan.drives[0]!.release).toBe(at('10:05:15'));
    expect(store.days.revisions(DATE).map(({ revision }) => revision)).toEqual([2, 1]);
  });

  it('sum up the event days', () => {
    store.bookings.add(
      DATE,
      'b1',
      fields({
        drives: [
          { id: 'x', cars: ['c1'], laps: 5 },
          { id: 'y', cars: ['c1'], laps: 5 },
        ],
      }),
    );
    store.days.add('2027-05-23', 'now');
    expect(store.days.add('2027-05-23', 'now')).toBe(false);
    expect(store.days.list()).toEqual([
      { date: DATE, bookings: 1, drives: 2, revision: null, practice: false, byCalendar: false },
      { date: '2027-05-23', bookings: 0, drives: 0, revision: null, practice: false, byCalendar: false },
    ]);
  });

  it('keep the journal of each day apart, in order, an id only once over all days', () => {
    store.days.add('2027-05-23', 'now');
    const note = (id: string) => ({ id, kind: 'noteTaken' as const, text: id, at: at('09:00'), by: 'Desk' });
    store.journal.append(DATE, note('entry-0001'), 'now');
    store.journal.append('2027-05-23', note('entry-0002'), 'now');
    store.journal.append(DATE, note('entry-0003'), 'now');
    expect(store.journal.since(DATE, 0).map(({ seq, entry }) => [seq, entry.id])).toEqual([
      [1, 'entry-0001'],
      [2, 'entry-0003'],
    ]);
    expect(store.journal.since(DATE, 1).length).toBe(1);
    expect(store.journal.find('entry-0002')!.date).toBe('2027-05-23');
    expect(() => store.journal.append('2027-05-23', note('entry-0001'), 'now')).toThrowError(/UNIQUE/);
  });
});
