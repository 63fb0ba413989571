import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { routes } from './app.routes';
import { Who } from '../shared/data/who';
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

  it('shows over a screen that shows another time', async () => {
    const data = running('10:21');
    data.record({ kind: 'flagCalled', flag: 'stop' });
    data.showTime(9 * 3600);
    const { element } = await show(FlagBanner, data);
    expect(element.querySelector('[role="alertdialog"]')).not.toBeNull();
  });

  it('that is not sent says so first, one that came late says by how much, and its caller sees who has it', async () => {
    const data = running('10:21');
    data.record({ kind: 'flagCalled', flag: 'stop' });
    data.told.set({ unsent: true });
    const { element, follow } = await show(FlagBanner, data);
    const over = () => element.querySelector('[role="alertdialog"]')!.textContent.trim();
    expect(over()).toMatch(/^Not sent: use the radio/);
    TestBed.inject(Router).resetConfig(routes);
    const who = TestBed.inject(Who);
    const before = who.name();
    who.set('Test');
    data.told.set({ lateS: 240, screens: 3, got: [{ who: 'Petra', screen: '/counter' }] });
    await follow();
    expect(over()).toContain('Late: it was called 4 min before it got here.');
    expect(over()).toContain('Shown on 1 of 3 screens: Petra (Counter).');
    who.set('Somebody else');
    await follow();
    expect(over()).not.toContain('Shown on');
    who.set(before);
  });

  it('may not arrive where there is no connection, and the screen says so', async () => {
    const data = running('10:21');
    data.connected.set(false);
    const { text } = await show(FlagBanner, data);
    expect(text()).toContain('Flags may not arrive: use the radio');
  });
});
