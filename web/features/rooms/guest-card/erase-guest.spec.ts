import { aDay, aPlan } from '@core/testing/small-day';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { EraseGuest } from './erase-guest';

describe('Erasing a guest', () => {
  it('tells where, lets the manager decide about the notes of others, and wants the name typed', async () => {
    const data = new FakeDay(aDay(), aPlan({ drives: [] }), '10:00', [aBooking('g1', { name: 'Ines Faro' })]);
    const { http, fixture } = await show(EraseGuest, data, { open: true, guest: 'g1', name: 'Ines Faro' });
    const shown = () => document.querySelector('.p-dialog')!;
    expect(shown().textContent).not.toContain('Erase for good');
    const mentions = [
      { date: '2027-05-22', id: 'e1', of: 'Garage', text: 'Faro was sick in it' },
      { date: '2027-05-22', id: 'b2', of: 'Rui Alba', text: 'a faro light is broken' },
    ];
    http.expectOne('/api/days/2027-05-22/guests/g1/erasure').flush({ days: ['2027-05-01', '2027-05-22'], mentions });
    await settle();
    await fixture.whenStable();
    expect(shown().textContent).toMatch(/On .*1 May.*, .*22 May/);
    shown().querySelectorAll<HTMLInputElement>('input[type="checkbox"]')[0]!.click();
    const erase = () =>
      [...shown().querySelectorAll('button')].find((button) => button.textContent.trim() === 'Erase for good')!;
    expect(erase().disabled).toBeTrue();
    const name = shown().querySelector<HTMLInputElement>('#erase-name')!;
    name.value = 'Ines Faro';
    name.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(erase().disabled).toBeFalse();
    erase().click();
    const { request } = http.expectOne('/api/days/2027-05-22/guests/g1/erase');
    expect(request.body).toEqual({ notes: ['e1'] });
  });
});
