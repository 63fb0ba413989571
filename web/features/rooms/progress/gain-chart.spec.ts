import { vocabularyOf } from '@core/people/coaching';
import { guestResult, type DayBefore } from '@core/people/coaching';
import { GainChart } from './gain-chart';
import { show } from '../../../testing/fake-day';
import { seen } from '../../../testing/two-guests';

describe('Gain and pace, drive by drive', () => {
  function driven() {
    const it = seen();
    it.record({ kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' }, '10:02');
    it.record({ kind: 'released', drive: 'd2' }, '10:03');
    for (const at of ['10:04:40', '10:06:08', '10:07:33', '10:08:55']) {
      it.record({ kind: 'lapCounted', drive: 'd2', source: 'hand' }, at);
    }
    return it;
  }
  const before: DayBefore = {
    date: '2027-05-01',
    guest: 'old',
    name: 'Piet Verhoeve',
    linked: false,
    drives: [
      {
        car: 'Dunnock Cup',
        instructor: 'Anselm Holt',
        laps: 5,
        bestS: 90,
        index: 0.9,
        indexWithin: 0.01,
        gainS: 2,
        gainWithinS: 0.5,
        faults: [],
        good: [],
      },
    ],
    oneThing: null,
    ready: null,
    reached: [],
  };

  it('begin with earlier days, and say what each may be off by', async () => {
    const data = driven();
    const result = guestResult(data.context(), data.state(), 'g2', vocabularyOf([]))!;
    const { element } = await show(GainChart, data, { shows: 'gain', result, before: [before] });
    const label = element.querySelector('[role=img]')!.getAttribute('aria-label')!;
    expect(label).toMatch(/^Gain within each drive: 1\.5\. Dunnock Cup 2\.0 ± 0\.5 s; 1\. Sabrel R 6\.0 ± \d\.\d s$/);
  });

  it('say so where there are too few clean laps', async () => {
    const data = seen();
    const result = guestResult(data.context(), data.state(), 'g1', vocabularyOf([]))!;
    const { text } = await show(GainChart, data, { shows: 'index', result });
    expect(text()).toBe('No drive has enough clean laps for it yet.');
  });
});
