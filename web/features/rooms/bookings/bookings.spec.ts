import { aCar, aDay, aPlan, drive } from '@core/testing/small-day';
import { Bookings } from './bookings';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

describe('The bookings', () => {
  it('are found by a part of the name, and say where the guest is', async () => {
    const data = dayAt('10:00');
    data.clear('g1', '09:00');
    const { text, element, fixture } = await show(Bookings, data);
    expect(text()).toContain('Ines Faro');
    expect(text()).toContain('waiting at the cars');
    const search = element.querySelector<HTMLInputElement>('input[type=search]')!;
    search.value = 'nobody';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(text()).toContain('No booking is called that.');
  });
});
