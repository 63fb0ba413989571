import { TestBed } from '@angular/core/testing';
import { aPlan, at, drive } from '@core/testing/small-day';
import { GarageService } from '../../../shared/data/garage.service';
import { chooseFile } from '../../../testing/choose-file';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { day, plan, theDay } from '../../../testing/two-drives';
import { CrewLoad } from './crew-load';
import { RosterImport } from './roster-import';

const chart = (element: Element) => element.querySelector('jl-chart [role=img]')!.getAttribute('aria-label')!;

describe('The load of the crew', () => {
  it('names who is free now for a car, and for how long', async () => {
    const { text, element, follow } = await show(CrewLoad, theDay());
    expect(text()).toContain('Anselm Holt until 09:56');
    expect(text()).toContain('Ife Okoro until 10:06');
    const data = theDay(day, plan);
    data.record({ kind: 'breakBegan', instructor: 'i1', what: 'off' });
    data.record({ kind: 'breakBegan', instructor: 'i2', what: 'rest' });
    TestBed.resetTestingModule();
    const off = await show(CrewLoad, data);
    expect(off.text()).toContain('nobody just now');
    await follow();
    expect(element.querySelectorAll('option').length).toBe(2);
  });

  it('warns of a meal for which the plan has no gap any more', async () => {
    const many = {
      ...day,
      guests: [{ ...day.guests[0]!, drives: drivesAt().map(({ drive: id }) => ({ id, cars: ['c1'], laps: 5 })) }],
    };
    const data = new FakeDay(many, aPlan({ drives: drivesAt() }), '11:00', [aBooking('g1')]);
    const { text } = await show(CrewLoad, data);
    expect(text()).toMatch(/Anselm Holt has no gap for the meal from 11:30 to 14:00: the longest is .+ of 30 min\./);
    expect(text()).not.toContain('Ife Okoro has no gap');
  });

  it('shows the work beside a fair share, today and over the last month, in words as well', async () => {
    const { element, follow } = await show(CrewLoad, theDay());
    expect(chart(element)).toBe('Anselm Holt: 0 laps, 5 to come, 5 fair; Ife Okoro: 0 laps, 5 to come, 5 fair');
    const crewDay = { instructor: 'i1', drives: 3, laps: 15, heldS: 3600, classes: 0, runs: 0, availableS: 36_000 };
    TestBed.inject(GarageService).crew.set([
      { ...crewDay, date: '2027-05-20' } as never,
      { ...crewDay, date: '2027-03-01', laps: 99 } as never,
    ]);
    const month = [...element.querySelectorAll<HTMLElement>('p-togglebutton')].find((one) =>
      one.textContent.includes('30 days'),
    )!;
    month.click();
    await follow();
    expect(chart(element)).toContain('Anselm Holt: 15 laps');
    expect(chart(element)).not.toContain('99');
  });
});

/** A drive of the first instructor every twelve minutes over the time of the meal. */
function drivesAt() {
  return Array.from({ length: 14 }, (_, i) => drive('11:15', { drive: `m${i}`, release: at('11:15') + i * 720 }));
}

describe('A calendar that is taken in', () => {
  const chosen = async (content: BlobPart, name = 'crew.ics') => {
    const data = theDay();
    const shown = await show(RosterImport, data);
    const closed: string[] = [];
    shown.fixture.componentInstance.closed.subscribe(() => closed.push('closed'));
    await chooseFile('#roster-file', content, name);
    await shown.follow();
    const words = () => document.querySelector('.p-dialog')!.textContent.replace(/\s+/g, ' ');
    const button = (label: RegExp) =>
      [...document.querySelectorAll<HTMLButtonElement>('.p-dialog button')].find((one) => label.test(one.textContent))!;
    return { shown, words, closed, button };
  };
  const PREVIEW = {
    added: [
      { id: 'a', instructor: 'i1', kind: 'shift', from: '2027-06-01', to: '2027-06-03' },
      {
        id: 'b',
        instructor: 'i2',
        kind: 'absence',
        from: '2027-06-05',
        to: '2027-06-05',
        hours: { from: '09:00', to: '12:00' },
      },
    ],
    changed: [],
    unchanged: 4,
    cancelled: ['c'],
    faults: [{ line: 12, event: 'Nobody early', message: 'no instructor is called "Nobody"' }],
  };

  it('shows first what it would do, event by event, faults with their line', async () => {
    const { shown, words } = await chosen('BEGIN:VCALENDAR');
    const request = shown.http.expectOne('/api/roster/preview');
    expect(request.request.body).toEqual({ ical: 'BEGIN:VCALENDAR' });
    request.flush(PREVIEW);
    await shown.follow();
    expect(words()).toContain('2 new, 0 changed, 4 as they are, 1 cancelled, 1 that cannot be taken in.');
    expect(words()).toContain('Line 12, Nobody early: no instructor is called "Nobody"');
    const lines = [...document.querySelectorAll('.p-dialog li:not(.stop)')].map((li) => li.textContent.trim());
    expect(lines).toEqual([
      jasmine.stringMatching(/^Anselm Holt.+there.+2027-06-01 to 2027-06-03/),
      jasmine.stringMatching(/^Ife Okoro.+away.+2027-06-05.+09:00–12:00/),
    ]);
  });

  it('takes all that is good in, and closes; where that fails it says why and stays', async () => {
    const { shown, words, closed, button } = await chosen('BEGIN:VCALENDAR');
    shown.http.expectOne('/api/roster/preview').flush(PREVIEW);
    await shown.follow();
    button(/^Import 3$/).click();
    shown.http
      .expectOne('/api/roster/import')
      .flush(
        { type: 'about:blank', title: 'No', status: 409, detail: 'The crew has changed meanwhile.' },
        { status: 409, statusText: 'No' },
      );
    await shown.follow();
    expect(words()).toContain('The crew has changed meanwhile.');
    expect(closed).toEqual([]);
    button(/^Import 3$/).click();
    shown.http.expectOne('/api/roster/import').flush(PREVIEW);
    await shown.follow();
    expect(closed).toEqual(['closed']);
  });

  it('offers nothing where nothing is good', async () => {
    const { shown, button } = await chosen('BEGIN:VCALENDAR');
    shown.http.expectOne('/api/roster/preview').flush({ ...PREVIEW, added: [], cancelled: [] });
    await shown.follow();
    expect(button(/^Import 0$/).disabled).toBeTrue();
  });

  it('is refused where it is not UTF-8, before a name is taken in with its letters broken', async () => {
    const { shown, words } = await chosen(new Uint8Array([0x42, 0xf8, 0x0a]), 'old.ics');
    shown.http.expectNone('/api/roster/preview');
    expect(words()).toContain('old.ics is not UTF-8 text');
  });
});
