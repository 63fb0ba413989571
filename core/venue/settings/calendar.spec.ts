import fc from 'fast-check';
import { dateAfter } from '../../people/crew/at-start';
import { at } from '../../testing/small-day';
import {
  calendar,
  hoursOn,
  NO_PATTERN,
  onHours,
  openDates,
  openPattern,
  patternOn,
  weekdayOf,
  withDate,
  type Calendar,
} from './calendar';

const SUMMER: Calendar = {
  weekStartsOn: 1,
  patterns: [{ weekdays: [6, 7], from: '05-01', to: '09-30', hours: { from: at('08:30'), to: at('18:00') } }],
  closed: [{ from: '2027-07-10', to: '2027-07-11', reason: 'air show' }],
};

describe('The calendar of a venue', () => {
  it('opens Saturdays and Sundays from May to September, but for the days that are closed', () => {
    const days = openDates(SUMMER, '2027-01-01', 365);
    expect(days[0]).toBe('2027-05-01');
    expect(days.at(-1)).toBe('2027-09-26');
    expect(days.length).toBe(22 * 2 - 2);
    expect(days.every((on) => weekdayOf(on) >= 6)).toBe(true);
    expect(days).not.toContain('2027-07-10');
  });

  it('has seasons that run over the turn of the year', () => {
    const winter: Calendar = { ...NO_PATTERN, patterns: [{ weekdays: [3], from: '11-01', to: '02-29' }] };
    const days = openDates(winter, '2027-01-01', 365);
    expect([days[0], days.at(-1)]).toEqual(['2027-01-06', '2027-12-29']);
    expect(days.filter((on) => on > '2027-02-28' && on < '2027-11-01')).toEqual([]);
  });

  it('closes and opens single days, each of which leaves all others as they were', () => {
    const on = fc.integer({ min: 0, max: 700 }).map((days) => dateAfter('2027-01-01', days));
    fc.assert(
      fc.property(on, fc.boolean(), (date, open) => {
        const changed = withDate(SUMMER, date, open);
        expect(calendar.safeParse(JSON.parse(JSON.stringify({ ...changed, patterns: [] }))).success).toBe(true);
        const days = (of: Calendar) => openDates(of, '2027-01-01', 750).filter((one) => one !== date);
        expect(days(changed)).toEqual(days(SUMMER));
        if (!open) expect(patternOn(changed, date)).toBeUndefined();
        const wouldBe = patternOn({ ...SUMMER, closed: [] }, date);
        if (open) expect(patternOn(changed, date)).toEqual(wouldBe);
      }),
    );
  });

  it('knows no day that the month has not', () => {
    const of = (from: string) => openPattern.safeParse({ weekdays: [1], from, to: '12-31' }).success;
    expect([of('02-29'), of('02-30'), of('04-31'), of('13-01')]).toEqual([true, false, false, false]);
  });
});

describe('The hours of a day', () => {
  const venue = { opens: at('09:00'), closes: at('17:00'), calendar: SUMMER };
  it('are its own, else those of its season, else the usual ones', () => {
    expect(hoursOn(venue, '2027-04-03', {})).toEqual({ from: at('09:00'), to: at('17:00') });
    expect(hoursOn(venue, '2027-05-22', {})).toEqual({ from: at('08:30'), to: at('18:00') });
    expect(hoursOn(venue, '2027-05-22', { closes: at('20:00') })).toEqual({ from: at('08:30'), to: at('20:00') });
    expect(hoursOn(venue, '2027-05-22', { opens: at('18:30') })).toEqual({ from: at('08:30'), to: at('18:00') });
  });

  it('hold for whoever is there all day, and for nobody who comes later or goes earlier', () => {
    const [usual, hours] = [
      { from: at('09:00'), to: at('17:00') },
      { from: at('08:00'), to: at('20:00') },
    ];
    expect(onHours([usual], usual, hours)).toEqual([hours]);
    expect(onHours([{ from: at('10:00'), to: at('17:00') }], usual, hours)).toEqual([
      { from: at('10:00'), to: at('20:00') },
    ]);
    const short = { from: at('12:00'), to: at('14:00') };
    expect(onHours([{ from: at('09:00'), to: at('11:00') }], usual, short)).toEqual([]);
  });
});
