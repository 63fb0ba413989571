import { at } from '@core/testing/small-day';
import { Classroom } from './classroom';
import { FakeDay, show } from '../../../testing/fake-day';
import { day, dayAt, plan } from '../../../testing/two-guests';

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

  it('sends for who is missing when the class is due, and sees that they were found', async () => {
    const data = dayAt('09:00');
    data.clear('g1', '08:50');
    const { press, text, fixture, element } = await show(Classroom, data);
    expect(element.querySelector('.gone')).toBeNull();
    data.clockS.set(at('09:12'));
    await fixture.whenStable();
    await press('Send for Piet Verhoeve');
    expect(text()).toContain('missing sent for 09:12');
    data.record({ kind: 'guestFound', guest: 'g2' }, '09:14');
    data.clockS.set(at('09:15'));
    await fixture.whenStable();
    expect(text()).toContain('on the way since 09:14');
    // A class that has begun without them misses them still.
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1'] }, '09:20');
    data.clockS.set(at('09:21'));
    await fixture.whenStable();
    expect(element.querySelector('article.running .gone')!.textContent).toContain('on the way since 09:14');
  });

  it('says whose hands were wrong with a tap each, and takes it back with another', async () => {
    const data = dayAt('09:44');
    for (const guest of ['g1', 'g2']) data.clear(guest, '09:00');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1', 'g2'] }, '09:20');
    const misread = ['looks at the cone', ''];
    data.record(
      { kind: 'answersCounted', instructor: 'i1', question: 'Where?', hands: [1, 1], right: 1, misread },
      '09:43',
    );
    const { press, text } = await show(Classroom, data);
    expect(text()).toContain('Where? 1 of 2 right');
    expect(text()).toContain('looks at the cone: whose hand?');
    const missed = () => [...data.state().guests.values()].map((guest) => guest.misread.get('Where?')?.words);
    await press('Piet Verhoeve');
    expect(missed()).toEqual([undefined, 'looks at the cone']);
    await press('Piet Verhoeve');
    expect(missed()).toEqual([undefined, undefined]);
    data.record({ kind: 'classEnded', instructor: 'i1', guests: ['g1', 'g2'] }, '09:45');
    data.clockS.set(at('09:50'));
    await press('Ines Faro');
    // Said of one, the class that is over has nothing to ask any more.
    expect(text()).not.toContain('Class is over');
  });
});
