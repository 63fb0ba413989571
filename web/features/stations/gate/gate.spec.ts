import { Gate } from './gate';
import { aGroup } from '@core/testing/group-days';
import { aCar } from '@core/testing/small-day';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { day, dayAt, plan } from '../../../testing/two-guests';

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

  it('says what each has booked: the cars, the group, or nothing', async () => {
    const [ines, piet] = day.guests;
    const guests = [ines!, { ...piet!, drives: [] }, { ...piet!, id: 'g3', name: 'Noor Haddad', drives: [] }];
    const groups = [aGroup({ id: 'one', name: 'Oval hour', members: ['g2'], cars: ['c2'] })];
    const data = new FakeDay({ ...day, version: 2, groups, guests }, { ...plan, drives: [] }, '09:05');
    const { element } = await show(Gate, data);
    const said = [...element.querySelectorAll('li')].map((row) =>
      row.querySelector('.line')?.textContent.split('·').at(-1)?.trim(),
    );
    expect(said[0]).toContain('Dunnock Cup');
    expect(said.slice(1)).toEqual(['nothing booked', 'Oval hour']);
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

  it('asks of whoever has come, one tap an answer, and shows what has not been asked', async () => {
    const data = new FakeDay(day, plan, '09:05', [aBooking('g1', { touch: undefined }), aBooking('g2')]);
    const { element, key, text, follow } = await show(Gate, data);
    expect(element.querySelector('jl-gate-questions')).toBeNull();
    await key(element.querySelector('li')!, 'a');
    const group = (label: string) => element.querySelector(`[role="group"][aria-label="${label}"]`)!;
    const tap = async (label: string, answer: string) => {
      const option = [...group(label).querySelectorAll('button')].find((it) => it.textContent.trim() === answer)!;
      option.click();
      await follow();
    };
    expect(group('Touch as a prompt').classList).toContain('open');
    await tap('Touch as a prompt', 'no');
    await tap('At home', 'electric car');
    await tap('Gearbox', 'automatic');
    expect(data.state().guests.get('g1')!.answers).toEqual({ touch: false, homeCar: 'electric' });
    expect(data.state().guests.get('g1')!.fitted.gearbox).toBe('auto');
    expect(group('Gearbox').querySelector('.chosen')!.textContent.trim()).toBe('automatic');
    expect(text()).toContain('On the waiver: In a pass or an emergency the instructor may steady or steer');
  });

  it('says at once that a car does not fit, and what would', async () => {
    const low = { ...day, cars: [aCar({ fit: { maxHeightCm: 190 } }), day.cars[1]!] };
    const data = new FakeDay(low, plan, '09:05', [aBooking('g1'), aBooking('g2')]);
    data.record({ kind: 'guestArrived', guest: 'g1' }, '09:01');
    const { element, text, follow } = await show(Gate, data);
    const height = element.querySelector<HTMLInputElement>('jl-gate-questions input')!;
    height.value = '20';
    height.dispatchEvent(new Event('change'));
    expect(data.refused).toEqual(['A height of 20 cm cannot be: expected 50 to 300 cm.']);
    height.value = '197';
    height.dispatchEvent(new Event('change'));
    await follow();
    expect(data.kinds()).toContain('guestFitted');
    expect(text()).toMatch(/tall|190 cm/);
    expect(text()).toContain('Sabrel R, not booked');
  });

  it('says what happens next to a step that is not possible', async () => {
    const data = dayAt('09:05');
    const { element, key } = await show(Gate, data);
    await key(element.querySelector('li')!, 'w');
    expect(data.refused).toEqual(['Ines Faro has not arrived yet.']);
  });
});
