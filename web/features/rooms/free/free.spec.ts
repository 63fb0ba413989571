import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { dayView } from '@core/api';
import { at } from '@core/testing/small-day';
import { show, type FakeDay } from '../../../testing/fake-day';
import { dayWith } from '../../../testing/group-here';
import { settle, theDay } from '../../../testing/two-drives';
import { VerdictsHere } from '../../../testing/verdicts-here';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { Free } from './free';
import { rowsOf, runWords } from './free-model';
import * as z from 'zod';

const opened = async (data: FakeDay = theDay()) => {
  const shown = await show(Free, data, {}, [{ provide: Verdicts, useValue: new VerdictsHere() }]);
  await settle();
  await shown.fixture.whenStable();
  return shown;
};

describe('Rows of what is still free', () => {
  const STRETCHES = ['09:00', '09:15', '09:30'].map(at);
  const free = (time: string) => ({ fit: 'free', release: at(time), instructor: 'i1' }) as const;
  const taken = { fit: 'none', because: 'car' } as const;
  const found = {
    stretches: STRETCHES,
    cars: [
      { car: 'c1', level: 2, stretches: [taken, free('09:15'), free('09:30')] },
      { car: 'c2', level: 2, stretches: [free('09:04'), taken, taken] },
      { car: 'c3', level: 1, stretches: [taken, taken, taken] },
    ],
    ...{ readyS: undefined, more: 3, seats: [], groups: [] },
  };

  it('put neighbours together, and give a level what any of its cars has', () => {
    const rows = rowsOf(found, at('09:40'));
    expect(rows.map(({ id }) => id)).toEqual(['level 1', 'c3', 'level 2', 'c1', 'c2']);
    const [, third, level, first] = rows;
    expect(third!.runs.map(runWords)).toEqual(['09:00 to 09:40: car taken']);
    expect(first!.runs.map(runWords)).toEqual(['09:00 to 09:15: car taken', '09:15 to 09:40: free, out from 09:15']);
    expect(level!.runs.map(runWords)).toEqual(['09:00 to 09:40: free, out from 09:04']);
    expect(level!.runs[0]!.offers.map(({ car }) => car)).toEqual(['c2', 'c1', 'c1']);
  });
});

describe('Still free', () => {
  it('says how much could be sold, and asks anew for other laps', async () => {
    const { element, press } = await opened();
    expect(element.querySelector('[role=status]')!.textContent).toMatch(
      /^Room for (\d+|40 or more) newcomers today, 5 laps/,
    );
    const field = element.querySelector<HTMLInputElement>('[aria-label="Any number of laps"]')!;
    field.value = '6';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('blur'));
    await settle();
    expect(element.querySelector('[role=status]')!.textContent).toContain('6 laps each');
    await press('8 laps');
    await settle();
    expect(element.querySelector('[role=status]')!.textContent).toContain('8 laps each');
  });

  it('takes a place to a walk-in, with car and laps', async () => {
    const { fixture, element } = await opened();
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    element.querySelector<HTMLButtonElement>('.row:not(.level) button.run.free')!.click();
    await fixture.whenStable();
    expect(element.querySelector('aside')!.textContent).toContain('Nobody moves.');
    [...element.querySelectorAll<HTMLButtonElement>('aside button')]
      .find((it) => it.textContent.includes('walk-in'))!
      .click();
    expect(go).toHaveBeenCalledOnceWith(['/bookings'], { fragment: jasmine.stringMatching(/^do:walk-in=c\d,5,new$/) });
  });

  it('has the places that are left in groups, and puts a guest into one', async () => {
    const data = dayWith({ cars: ['c1', 'c2', 'c3', 'c4'] }, {}, ['c4']);
    const { fixture, text, http, press } = await opened(data);
    await press('Has been to class');
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('The three, 10:001 free');
    (fixture.componentInstance as unknown as { join: (group: string, guest: string) => void }).join('one', 'x9');
    const { body } = http.expectOne('/api/days/2027-05-22/groups/one').request;
    expect([body.version, body.fields.members]).toEqual([1, ['g1', 'g2', 'g3', 'x9']]);
  });

  it('tells of later days what is sold, what is free, and what limits them', async () => {
    const data = theDay();
    const [today, later] = [data.date(), '2027-06-05'];
    data.days.set([
      { date: today, bookings: 2, drives: 2, revision: 1, practice: false, byCalendar: false },
      { date: later, bookings: 2, drives: 2, revision: null, practice: false, byCalendar: false },
    ]);
    const { http, fixture, element } = await opened(data);
    const view = data.view();
    http.expectOne(`/api/days/${later}`).flush(z.encode(dayView, { ...view, day: { ...view.day, date: later } }));
    await settle();
    await fixture.whenStable();
    const row = element.querySelector('[aria-label="Other days"] .day')!;
    expect(row.textContent).toMatch(/5 Jun.*2 sold, (\d+|40 or more) free/su);
    expect(row.textContent).toMatch(/limit/u);
  });

  it('says so when the day is over', async () => {
    const data = theDay();
    data.clockS.set(at('18:30'));
    const { element } = await opened(data);
    expect(element.textContent).toContain('The day is over');
  });
});
