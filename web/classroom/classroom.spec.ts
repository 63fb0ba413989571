import { at } from '@core/testing/small-day';
import { Classroom } from './classroom';
import { FakeDay, show } from '../testing/fake-day';
import { day, dayAt, plan } from '../testing/two-guests';

describe('The classroom', () => {
  it('ticks who is cleared, and begins the class with those only', async () => {
    const data = dayAt('09:20');
    data.clear('g1', '09:00');
    const { press, element } = await show(Classroom, data);
    expect([...element.querySelectorAll<HTMLInputElement>('input')].map((box) => [box.checked, box.disabled])).toEqual([
      [true, false],
      [false, true],
    ]);
    await press('Begin class');
    expect(data.state().guests.get('g1')!.stage).toBe('inClass');
    expect(data.state().guests.get('g2')!.stage).toBe('expected');
  });

  it('briefs only those who stay ticked to the end', async () => {
    const data = dayAt('09:45');
    data.clear('g1', '09:00');
    data.clear('g2', '09:10');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1', 'g2'] }, '09:20');
    const { press, element, fixture } = await show(Classroom, data);
    element.querySelectorAll<HTMLInputElement>('input')[1]!.click();
    await fixture.whenStable();
    await press('End class');
    expect([...data.state().guests.values()].map(({ briefed }) => briefed)).toEqual([true, false]);
  });

  it('refuses a class and a sighting run for which nobody is ready', async () => {
    const data = dayAt('09:20');
    const { press } = await show(Classroom, data);
    await press('Begin class');
    await press('Let out');
    expect(data.refused).toEqual([
      'Nobody of this class is ready: clear the guests at the gate first.',
      'Nobody of this run is briefed yet.',
    ]);
  });

  it('offers a seat to a guest who missed an earlier class', async () => {
    const two = {
      ...plan,
      briefings: [
        { start: at('08:30'), instructor: 'i2', guests: ['g1'] },
        { start: at('09:40'), instructor: 'i1', guests: ['g2'] },
      ],
    };
    const data = new FakeDay(day, two, '09:39');
    data.clear('g1', '09:30');
    data.clear('g2', '09:30');
    data.clockS.set(at('10:00'));
    const { text } = await show(Classroom, data);
    expect(text()).toContain('missed an earlier class');
  });

  it('shows the seats of a sighting run, and lets it out and back', async () => {
    const data = dayAt('09:55');
    data.clear('g1', '09:00');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1'] }, '09:20');
    data.record({ kind: 'classEnded', instructor: 'i1', guests: ['g1'] }, '09:45');
    const { press, element } = await show(Classroom, data);
    expect(element.querySelectorAll('.seats .ready').length).toBe(1);
    expect(element.querySelectorAll('.seats .free').length).toBe(1);
    await press('Let out');
    expect(data.state().guests.get('g1')!.stage).toBe('onSighting');
    await press('Back');
    expect(data.state().guests.get('g1')!.sighted).toBeTrue();
  });
});
