import { Gate } from './gate';
import { show } from '../testing/fake-day';
import { dayAt } from '../testing/two-guests';

describe('The gate', () => {
  it('lists who is to come in the order of arrival, and says who is late', async () => {
    const { element, text } = await show(Gate, dayAt('09:05'));
    expect([...element.querySelectorAll('li a')].map((link) => link.textContent)).toEqual([
      'Ines Faro',
      'Piet Verhoeve',
    ]);
    expect(text()).toContain('5 min late');
    expect(text()).toContain('0 of 2 have come, 1 late');
    expect(text()).toContain('Motion sickness once');
  });

  it('clears a guest with Enter, step by step, and the next one at once with C', async () => {
    const data = dayAt('09:12');
    const { element, key } = await show(Gate, data);
    const row = () => element.querySelector('li')!;
    for (let step = 0; step < 4; step++) await key(row(), 'Enter');
    expect(data.kinds()).toEqual(['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']);
    expect(row().textContent).toContain('Piet Verhoeve');
    await key(row(), 'c');
    expect(data.kinds().length).toBe(8);
    expect(element.textContent).toContain('Everybody who is booked has come and is cleared.');
  });

  it('takes the last entry about a guest back with U', async () => {
    const data = dayAt('09:05');
    const { element, key } = await show(Gate, data);
    await key(element.querySelector('li')!, 'a');
    await key(element.querySelector('li')!, 'u');
    expect(data.state().guests.get('g1')!.arrivedS).toBeUndefined();
    await key(element.querySelector('li')!, 'x');
    expect(data.state().guests.get('g1')!.stage).toBe('noShow');
  });

  it('says what happens next to a step that is not possible', async () => {
    const data = dayAt('09:05');
    const { element, key } = await show(Gate, data);
    await key(element.querySelector('li')!, 'w');
    expect(data.refused).toEqual(['Ines Faro has not arrived yet.']);
  });
});
