import { FlagBanner } from './flag-banner';
import { show } from '../testing/fake-day';
import { running } from '../testing/two-guests';

describe('A flag', () => {
  it('is over every screen until somebody has seen it, and says who called it and why', async () => {
    const data = running('10:21');
    data.record({ kind: 'flagCalled', flag: 'stop', reason: 'car off at Slip' });
    const { text, press, element } = await show(FlagBanner, data);
    expect(element.querySelector('[role="alertdialog"]')).not.toBeNull();
    expect(text()).toContain('Test, since 10:21: car off at Slip');
    await press('Seen');
    expect(element.querySelector('[role="alertdialog"]')).toBeNull();
    expect(element.querySelector('.band.stop')).not.toBeNull();
  });

  it('may not arrive where there is no connection, and the screen says so', async () => {
    const data = running('10:21');
    data.connected.set(false);
    const { text } = await show(FlagBanner, data);
    expect(text()).toContain('Flags may not arrive: use the radio');
  });
});
