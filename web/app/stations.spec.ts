import { at } from '@core/testing/small-day';
import { Stations } from './stations';
import { show } from '../testing/fake-day';
import { seen } from '../testing/two-guests';

describe('The stations', () => {
  it('count who is where', async () => {
    const data = seen();
    const { element } = await show(Stations, data);
    const counts = () => [...element.querySelectorAll('ol a')].map((link) => link.textContent?.replace(/\D/g, ''));
    expect(counts()).toEqual(['0', '0', '0', '2', '0', '0', '0']);
    data.showTime(at('09:30'));
    await new Promise((resolve) => setTimeout(resolve));
    expect(data.state().guests.get('g1')!.stage).toBe('inClass');
  });
});
