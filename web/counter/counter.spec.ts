import { at } from '@core/testing/small-day';
import { Counter } from './counter';
import { show } from '../testing/fake-day';
import { running } from '../testing/two-guests';

describe('The counter on the phone', () => {
  const ofIfe = async (time: string) => {
    localStorage.setItem('joylap.counter', 'i2');
    const data = running(time);
    return { data, ...(await show(Counter, data)) };
  };
  afterEach(() => localStorage.removeItem('joylap.counter'));

  it('counts with one button, says how many are left, and the way in at the end', async () => {
    const { data, press, text, fixture } = await ofIfe('10:21:25');
    await press(/Count lap$/);
    expect(text()).toContain('last lap');
    data.clockS.set(at('10:22:45'));
    await fixture.whenStable();
    await press(/Count lap$/);
    expect(text()).toContain('In at the anchor board');
    expect(data.state().drives.get('d2')!.count.hand).toBe(2);
  });

  it('keeps an intervention with its lap', async () => {
    const { data, press } = await ofIfe('10:20:40');
    await press('I had to brake or steer');
    expect(
      data
        .state()
        .drives.get('d2')!
        .interventions.map(({ lap }) => lap),
    ).toEqual([1]);
  });

  it('asks who counts on this phone', async () => {
    const { text, press } = await show(Counter, running('10:21'));
    expect(text()).toContain('Who counts on this phone?');
    await press('Ife Okoro');
    expect(text()).toContain('Piet Verhoeve');
  });
});
