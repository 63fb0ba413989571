import { at } from '@core/testing/small-day';
import { Desk } from './desk';
import { show } from '../testing/fake-day';
import { dayAt } from '../testing/two-guests';

describe('The desk', () => {
  it('has who is missing at a class, where they were seen last, and says that they are on the way', async () => {
    const data = dayAt('09:20');
    data.record({ kind: 'guestArrived', guest: 'g2' }, '09:05');
    data.record({ kind: 'guestSentFor', guest: 'g2', instructor: 'i1' }, '09:19');
    const { text, press, fixture } = await show(Desk, data);
    expect(text()).toContain('Missing at a class');
    expect(text()).toContain('at the gate since 09:05');
    expect(text()).toContain('Class with Anselm Holt, sent for 09:19');
    await press('Found, on the way: Piet Verhoeve');
    expect(text()).toContain('on the way since 09:20');
    data.record({ kind: 'waiverSigned', guest: 'g2' }, '09:20:30');
    data.clockS.set(at('09:21'));
    await fixture.whenStable();
    expect(text()).not.toContain('Missing at a class');
  });
});
