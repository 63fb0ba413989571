import { TestBed } from '@angular/core/testing';
import type { DayTrouble } from '@core/api';
import { aDay, aGuest, aPlan, anInstructor, at, drive } from '@core/testing/small-day';
import { VenueClock } from '../data/venue-clock';
import { OwedWishes } from '../guest-card/owed-wish';
import { SameGuest } from '../guest-card/same-guest';
import { Ask } from '../shell/ask';
import { DayTroubles } from '../shell/day-troubles';
import { DemoClock } from '../shell/demo-clock';
import { Slips } from '../shell/slips';
import { FakeDay, show } from './fake-day';
import { settle } from './two-drives';

const trouble = (more: Partial<DayTrouble> = {}): DayTrouble => ({
  place: 'rules',
  what: 'The time zone is not used',
  path: 'timeZone',
  message: 'expected a time zone such as Europe/London',
  mend: 'Choose another one',
  ...more,
});

describe('What is at fault in a day', () => {
  const troubled = async (...troubles: DayTrouble[]) => {
    const data = new FakeDay(aDay(), aPlan(), '09:00');
    data.view.update((view) => ({ ...view, troubles }));
    return { data, ...(await show(DayTroubles, data)) };
  };

  it('is told in one line, opened for more, with the way to where it is mended', async () => {
    const { element, text } = await troubled(trouble(), trouble({ place: 'cars', what: 'Car c9 is left out' }));
    expect(element.querySelector('[role=alert] summary')!.textContent).toContain('2 things in this day are at fault');
    expect(text()).toContain('timeZone: expected a time zone such as Europe/London. Choose another one');
    const links = [...element.querySelectorAll('a')].map((a) => [a.textContent.trim(), a.getAttribute('href')]);
    expect(links).toEqual([
      ['Rules', '/rules'],
      ['Cars', '/cars'],
    ]);
  });

  it('can be taken back where an entry makes it', async () => {
    const { data, press } = await troubled();
    expect(data.record({ kind: 'noteTaken', text: 'cones are wet' }, '08:50')).toBeTrue();
    data.view.update((view) => ({ ...view, troubles: [trouble({ place: 'journal', entry: 'entry-0000' })] }));
    await settle();
    await press('Take back');
    expect(data.kinds()).toEqual(['noteTaken', 'correction']);
  });

  it('takes no place where there is none', async () => {
    const { text } = await troubled();
    expect(text()).toBe('');
  });
});

describe('What may be a slip', () => {
  const guests = [aGuest({ leavesBy: at('08:00'), drives: [{ id: 'd1', cars: ['c1', 'c8'], laps: 5 }] })];
  const data = () =>
    new FakeDay(aDay({ guests, instructors: [anInstructor({ cars: ['c1', 'c7'] })] }), aPlan(), '09:00');

  it('stands on the screen where it is made, by the person’s name', async () => {
    const { text } = await show(Slips, data(), { of: 'guests' });
    expect(text()).toContain('2 may be a slip');
    expect(text()).toContain('Ines Faro: leaves at 08:00, before arriving at 09:00');
    expect(text()).toContain('Ines Faro: no car "c8" at this venue');
    expect(text()).not.toContain('c7');
  });

  it('of the crew stands with the crew', async () => {
    const { text } = await show(Slips, data(), { of: 'instructors' });
    expect(text()).toContain('1 may be a slip');
    expect(text()).toContain('no car "c7" at this venue');
  });
});

describe('Laps that are owed', () => {
  const owing = async () => {
    const data = new FakeDay(aDay({ guests: [aGuest()] }), aPlan({ drives: [drive('10:00')] }), '10:03');
    data.clear('g1', '09:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '09:56');
    data.record({ kind: 'released', drive: 'd1' }, '10:00');
    data.record({ kind: 'brokenOff', drive: 'd1', reason: 'fault' }, '10:02');
    const shown = await show(OwedWishes, data, { drive: 'd1' });
    const answer = async (text: string | undefined) => {
      TestBed.inject(Ask).settle(text);
      await settle();
    };
    return { data, answer, ...shown };
  };

  it('wait as the guest says: not before a time, not today, or any time again', async () => {
    const { data, answer, press, text } = await owing();
    await press('Not before…');
    await answer('14:30');
    expect(text()).toContain('not before 14:30');
    await press('Any time');
    await press('Not today');
    expect(text()).toContain('not today, says the guest');
    expect(data.kinds().filter((kind) => kind === 'owedAgreed').length).toBe(3);
  });

  it('stay as they were where what was typed is no time, or nothing', async () => {
    const { data, answer, press } = await owing();
    await press('Not before…');
    await answer('half past two');
    expect(data.refused).toEqual(['"half past two" is no time of day; write 15:00, say.']);
    await press('Not before…');
    await answer(undefined);
    expect(data.kinds()).not.toContain('owedAgreed');
  });
});

describe('The same person on another day', () => {
  const guest = (id: string, name: string) => ({
    id,
    name,
    reference: `R-${id}`,
    date: '2027-05-01',
    email: `${id}@example.org`,
  });
  const typed = async (query: string) => {
    const input = document.querySelector<HTMLInputElement>('#same-guest')!;
    input.value = query;
    input.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, 250));
  };

  it('is found by a few letters once typing rests, and is never the guest asked about', async () => {
    const shown = await show(SameGuest, new FakeDay(aDay(), aPlan(), '09:00'), {
      open: true,
      guest: 'g1',
      name: 'Ines',
    });
    const chosen: string[] = [];
    shown.fixture.componentInstance.chosen.subscribe((id) => chosen.push(id));
    await typed('i');
    shown.http.expectNone('/api/guests/find');
    await typed('ine');
    const request = shown.http.expectOne(({ url }) => url.startsWith('/api/guests'));
    expect(request.request.body).toEqual({ query: 'ine' });
    request.flush({ guests: [guest('g1', 'Ines Faro'), guest('g7', 'Ines Faro')] });
    await settle();
    const found = [...document.querySelectorAll('[aria-label=Found] li')].map((li) => li.textContent.trim());
    expect(found.length).toBe(1);
    expect(found[0]).toContain('R-g7');
    document.querySelector<HTMLElement>('[aria-label^="The same person as Ines Faro"]')!.click();
    expect(chosen).toEqual(['g7']);
  });
});

describe('Putting the demo back', () => {
  it('is asked first, and nothing happens where the person thinks better of it', async () => {
    const { press, http, fixture } = await show(DemoClock, new FakeDay(aDay(), aPlan(), '09:00'));
    TestBed.inject(VenueClock).take({ date: '2027-05-22', secondsOfDay: 40_200, rate: 1, adjustable: true });
    await fixture.whenStable();
    const ask = TestBed.inject(Ask);
    await press('Reset');
    expect(ask.question()?.title).toBe('Put the demo back to its beginning?');
    ask.settle(undefined);
    await settle();
    http.expectNone('/api/demo/reset');
    await press('Reset');
    ask.settle(ask.text());
    await settle();
    http.expectOne('/api/demo/reset');
  });
});
