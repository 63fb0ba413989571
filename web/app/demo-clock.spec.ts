import { TestBed } from '@angular/core/testing';
import { aCar, aDay, aPlan, drive } from '@core/testing/small-day';
import { VenueClock } from '../shared/data/venue-clock';
import { DemoClock } from './demo-clock';
import { aBooking, FakeDay, show } from '../testing/fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

describe('The demo clock', () => {
  it('shows its rate, and asks the server for another', async () => {
    const { press, http, element, fixture } = await show(DemoClock, dayAt('10:00'));
    TestBed.inject(VenueClock).take({ date: '2027-05-22', secondsOfDay: 40_200, rate: 1, adjustable: true });
    await fixture.whenStable();
    const pressed = () =>
      [...element.querySelectorAll('[aria-pressed=true]')].map((button) => button.textContent?.trim());
    expect(pressed()).toEqual(['1×']);
    await press('Sixty times as fast');
    const request = http.expectOne('/api/clock');
    expect(request.request.body).toEqual({ rate: 60 });
    request.flush({ date: '2027-05-22', secondsOfDay: 40_200, rate: 60, adjustable: true });
    await fixture.whenStable();
    expect(pressed()).toEqual(['60×']);
  });
});
