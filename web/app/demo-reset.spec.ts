import { TestBed } from '@angular/core/testing';
import { aDay, aPlan } from '@core/testing/small-day';
import { VenueClock } from '../shared/data/venue-clock';
import { Ask } from '../shared/frame/ask';
import { DemoClock } from './demo-clock';
import { FakeDay, show } from '../testing/fake-day';
import { settle } from '../testing/two-drives';

describe('Putting the demo back', () => {
  it('is asked first, and nothing happens where the person thinks better of it', async () => {
    const { press, http, fixture } = await show(DemoClock, new FakeDay(aDay(), aPlan(), '09:00'));
    TestBed.inject(VenueClock).take({ date: '2027-05-22', secondsOfDay: 40_200, rate: 1, adjustable: true });
    await fixture.whenStable();
    const ask = TestBed.inject(Ask);
    await press('Reset');
    expect(ask.question()?.title).toBe('Put the demo back to its beginning?');
    ask.answer(undefined);
    await settle();
    http.expectNone('/api/demo/reset');
    await press('Reset');
    ask.answer(ask.text());
    await settle();
    http.expectOne('/api/demo/reset');
  });
});
