import type { TeachingDrive } from '@core/people/coaching';
import { Manager } from '../../../shared/data/manager';
import { GuestPairings } from '../guest-card/guest-pairings';
import { Teaching } from './teaching';
import { TestBed } from '@angular/core/testing';
import { FakeDay, show } from '../../../testing/fake-day';
import { day, dayAt, plan } from '../../../testing/two-guests';

describe('What is the manager’s alone', () => {
  it('is behind a code: wrong ones are told, and the results of teaching come one instructor at a time', async () => {
    const shown = await show(Teaching, dayAt('10:00'));
    shown.http.expectOne('/api/manager').flush({ set: true, open: false });
    await shown.follow();
    expect(shown.text()).toContain('never a ranking');
    const enter = async (code: string) => {
      const input = shown.element.querySelector<HTMLInputElement>('input[type=password]')!;
      input.value = code;
      input.dispatchEvent(new Event('input'));
      await shown.follow();
      shown.element.querySelector('form')!.dispatchEvent(new Event('submit'));
      await shown.follow();
    };
    await enter('short');
    expect(shown.text()).toContain('expected a code of at least 6 characters.');
    await enter('larkmere');
    shown.http.expectOne('/api/manager/open').flush({ set: true, open: true });
    await shown.follow();
    const drive = (gain: number): TeachingDrive => ({
      date: '2027-05-21',
      nth: 1,
      span: 4,
      spoiled: 1,
      gain,
      faults: [],
    });
    const own = Array.from({ length: 9 }, (_, i) => drive(0.03 + i / 1000));
    shown.http.expectOne('/api/instructors/i1/teaching').flush({ own, crew: own });
    await shown.follow();
    expect(shown.text()).toContain('3.4 % ± 0.1');
    expect(shown.text()).toContain('nothing to be read from it');
    expect(shown.text()).toContain('9laps spoiled, not counted above');
  });

  it('is why a guest avoids somebody: names for all, reasons behind the lock', async () => {
    const guests = day.guests.map((guest) => ({ ...guest, avoidInstructors: ['i2'] }));
    const data = new FakeDay({ ...day, guests }, plan, '10:00');
    const shown = await show(GuestPairings, data, { guest: 'g1' });
    const { access } = TestBed.inject(Manager);
    shown.http.expectOne('/api/manager').flush({ set: true, open: false });
    await shown.follow();
    expect(shown.text()).toContain('Avoids Ife Okoro');
    expect(shown.element.querySelector('input')).toBeNull();
    access.set({ set: true, open: true });
    await shown.follow();
    shown.http
      .expectOne('/api/days/2027-05-22/guests/g1/pairings')
      .flush({ reasons: [{ instructor: 'i2', reason: 'raised his voice' }] });
    await shown.follow();
    expect(shown.element.querySelector<HTMLInputElement>('input')!.value).toBe('raised his voice');
  });

  it('is a reason typed before the server has told what is there: both are kept', async () => {
    const guests = day.guests.map((guest) => ({ ...guest, avoidInstructors: ['i1', 'i2'] }));
    const shown = await show(GuestPairings, new FakeDay({ ...day, guests }, plan, '10:00'), { guest: 'g1' });
    const url = '/api/days/2027-05-22/guests/g1/pairings';
    shown.http.expectOne('/api/manager').flush({ set: true, open: true });
    await shown.follow();
    const [, second] = shown.element.querySelectorAll<HTMLInputElement>('input');
    const keep = shown.element.querySelector<HTMLButtonElement>('button')!;
    second!.value = 'raised his voice';
    second!.dispatchEvent(new Event('input'));
    await shown.follow();
    expect(keep.disabled).toBeTrue();
    const slow = { instructor: 'i1', reason: 'too slow' };
    shown.http.expectOne(url).flush({ reasons: [slow, { instructor: 'i2', reason: 'of before' }] });
    await shown.follow();
    expect([...shown.element.querySelectorAll('input')].map(({ value }) => value)).toEqual([
      'too slow',
      'raised his voice',
    ]);
    keep.click();
    const sent = shown.http.expectOne(url).request;
    expect(sent.body).toEqual({ reasons: [slow, { instructor: 'i2', reason: 'raised his voice' }] });
  });
});
