import { aDay, aPlan } from '@core/testing/small-day';
import { ORDINARY_RULES } from '@core/day';
import { FakeDay, show } from '../testing/fake-day';
import { settle } from '../testing/two-drives';
import { CalendarScreen, monthDayOf } from './calendar';

const VENUE = {
  name: 'Larkmere',
  timeZone: 'UTC',
  currency: 'EUR',
  opens: '09:00',
  closes: '17:00',
  condition: { name: 'dry', paceFactor: 1 },
  circuit: { name: 'Slipway', lapLengthM: 2000, closures: [] },
  rules: ORDINARY_RULES,
  paces: { first: 1.2, before: 1.1, quick: 1 },
  sightingVehicles: [],
  calendar: { weekStartsOn: 7, patterns: [{ weekdays: [6, 7], from: '05-01', to: '09-30' }], closed: [] },
};

async function shown() {
  const data = new FakeDay(aDay(), aPlan(), '09:00');
  const summary = { bookings: 2, drives: 3, revision: 1, practice: false, byCalendar: true };
  data.days.set([{ date: '2027-05-22', ...summary }]);
  const it = await show(CalendarScreen, data);
  it.http.expectOne('/api/venue').flush({ version: 4, fields: VENUE });
  await settle();
  for (const one of it.http.match('/api/days/2027-05-22/setup')) {
    one.flush({ setup: { closes: '20:00' }, usual: { from: '09:00', to: '17:00' } });
  }
  await settle();
  return it;
}

describe('The calendar', () => {
  it('tells of the chosen day what is on it, and what it has of its own', async () => {
    const { text, fixture } = await shown();
    expect(text()).toContain('2 bookings, 3 drives, plan 1.');
    const closes = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('#field-closes')!;
    expect(closes.value).toBe('20:00');
  });

  it('is drawn from the venue’s first day of the week', async () => {
    const { fixture } = await shown();
    const first = (fixture.nativeElement as HTMLElement).querySelector('.days th')!;
    expect(first.textContent?.trim()).toBe('Su');
  });

  it('keeps a season as it is typed, and refuses one that the month has not', async () => {
    const { fixture, press, http, text } = await shown();
    const until = (fixture.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('.pattern input')[1]!;
    const type = async (value: string) => {
      until.value = value;
      until.dispatchEvent(new Event('input'));
      await settle();
    };
    await type('31 Septober');
    await press('Save the calendar');
    expect(text()).toContain('expected month and day');
    await type('15 Oct');
    await press('Save the calendar');
    const { body } = http.expectOne({ method: 'PUT', url: '/api/venue' }).request;
    expect(body.version).toBe(4);
    expect(body.fields.calendar.patterns).toEqual([{ weekdays: [6, 7], from: '05-01', to: '10-15' }]);
  });

  it('reads days of the year as people write them', () => {
    expect(['1 May', '30 September', 'Sep 30', '1.5.', '05-01'].map(monthDayOf)).toEqual([
      '05-01',
      '09-30',
      '09-30',
      '05-01',
      '05-01',
    ]);
  });
});
