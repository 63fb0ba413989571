import { aDay, aGuest, aPlan, anInstructor, at } from '@core/testing/small-day';
import { Slips } from './slips';
import { FakeDay, show } from '../../testing/fake-day';

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
