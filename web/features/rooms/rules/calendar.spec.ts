import { aDay, aPlan } from '@core/testing/small-day';
import { A_VENUE } from '../../../testing/a-venue';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { CalendarScreen, monthDayOf } from './calendar';

async function shown() {
  const data = new FakeDay(aDay(), aPlan(), '09:00');
  const summary = { bookings: 2, drives: 3, revision: 1, practice: false, byCalendar: true };
  data.days.set([{ date: '2027-05-22', ...summary }]);
  const it = await show(CalendarScreen, data);
  it.http.expectOne('/api/venue').flush({ version: 4, fields: A_VENUE });
  await settle();
  for (const one of it.http.match('/api/days/2027-05-22/setup')) {
    one.flush({ version: 3, fields: { closes: '20:00' }, usual: { from: '09:00', to: '17:00' } });
  }
  await settle();
  return { ...it, data };
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

  it('keeps what is typed while the day changes elsewhere', async () => {
    const { data, fixture, http } = await shown();
    const element = fixture.nativeElement as HTMLElement;
    const type = (selector: string, value: string) => {
      const input = element.querySelector<HTMLInputElement>(selector)!;
      input.value = value;
      input.dispatchEvent(new Event('input'));
    };
    type('.pattern input', '3 May');
    type('#field-closes', '21:00');
    data.view.update((view) => ({ ...view }));
    data.days.update((days) => [...days.map((day) => ({ ...day, bookings: 3 }))]);
    await settle();
    expect(http.match(() => true)).toEqual([]);
    const values = ['.pattern input', '#field-closes'].map(
      (one) => element.querySelector<HTMLInputElement>(one)!.value,
    );
    expect(values).toEqual(['3 May', '21:00']);
  });

  it('goes beside what somebody else changed of the venue, and over another calendar only when asked again', async () => {
    const { fixture, press, http, text } = await shown();
    const from = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('.pattern input')!;
    from.value = '3 May';
    from.dispatchEvent(new Event('input'));
    await settle();
    await press('Save the calendar');
    const sent = () => http.expectOne({ method: 'PUT', url: '/api/venue' });
    const changedMeanwhile = (version: number, change: object) =>
      sent().flush(
        {
          type: 'about:blank',
          title: 'x',
          status: 409,
          detail: 'x',
          current: { version, fields: { ...A_VENUE, ...change } },
        },
        { status: 409, statusText: 'Conflict' },
      );
    changedMeanwhile(5, { name: 'Larkmere Station' });
    await settle();
    const theirs = { ...A_VENUE.calendar, weekStartsOn: 1 };
    changedMeanwhile(6, { name: 'Larkmere Station', calendar: theirs });
    await settle();
    expect(text()).toContain('Somebody has changed the calendar meanwhile');
    expect(from.value).toBe('3 May');
    await press('Save the calendar');
    const { version, fields } = sent().request.body as { version: number; fields: typeof A_VENUE };
    expect([version, fields.name, fields.calendar.patterns[0]!.from]).toEqual([6, 'Larkmere Station', '05-03']);
  });

  it('goes over what somebody else has set up of the same day only when asked again', async () => {
    const { fixture, press, http, text } = await shown();
    const closes = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('#field-closes')!;
    closes.value = '21:00';
    closes.dispatchEvent(new Event('input'));
    await settle();
    await press('Save this day');
    const sent = () => http.expectOne({ method: 'PUT', url: '/api/days/2027-05-22/setup' });
    const current = { version: 4, fields: {}, usual: { from: '09:00', to: '17:00' } };
    const problem = { type: 'about:blank', title: 'x', status: 409, detail: 'x', current };
    sent().flush(problem, { status: 409, statusText: 'Conflict' });
    await settle();
    expect(text()).toContain('Somebody has changed this day meanwhile');
    expect(closes.value).toBe('21:00');
    await press('Save this day');
    expect(sent().request.body).toEqual({ version: 4, fields: { closes: '21:00' } });
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
