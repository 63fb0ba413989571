import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { STOP_KEY } from '../shared/frame/screen-keys';
import { show } from '../testing/fake-day';
import { running } from '../testing/two-guests';
import { Ask } from '../shared/frame/ask';
import { FlagBanner } from './flag-banner';
import { Stops } from './stops';

const HELD_MS = 1000;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function held(element: Element, name: string, ms = HELD_MS): Promise<void> {
  const button = [...element.querySelectorAll('button')].find((it) => it.textContent?.trim() === name)!;
  button.dispatchEvent(new PointerEvent('pointerdown', { button: 0 }));
  await wait(ms);
  button.dispatchEvent(new PointerEvent('pointerup'));
}

describe('The stops', () => {
  it('stop all by holding, never by a touch in passing', async () => {
    const data = running('10:21');
    const { element } = await show(Stops, data);
    await held(element, 'Hold to stop all', 0);
    await wait(HELD_MS);
    expect(data.state().flag.flag).toBe('green');
    await held(element, 'Hold for caution');
    expect(data.state().flag.flag).toBe('caution');
    await held(element, 'Hold to stop all');
    expect(data.state().flag.flag).toBe('stop');
  });

  it('never lift what they have called: the same hand in the same place calls again, and nothing happens', async () => {
    const data = running('10:21');
    const { element } = await show(Stops, data);
    const names = () => [...element.querySelectorAll('button')].map((it) => it.textContent?.trim());
    const before = names();
    for (const name of ['Hold for caution', 'Hold to stop all', 'Hold to stop all', 'Hold for caution']) {
      await held(element, name);
      expect(names()).toEqual(before);
    }
    expect(data.state().flag.flag).toBe('stop');
  });

  it('go through whatever time the ribbon shows', async () => {
    const data = running('10:21');
    data.showTime(9 * 3600);
    const { element } = await show(Stops, data);
    await held(element, 'Hold to stop all');
    expect(data.flag().flag).toBe('stop');
  });

  it('stop by one key held, in a dialog and in a field too, and not by one let go early', async () => {
    const data = running('10:21');
    await show(Stops, data);
    const field = document.createElement('input');
    const dialog = document.createElement('div');
    dialog.setAttribute('role', 'dialog');
    dialog.append(field);
    document.body.append(dialog);
    const key = (type: string, more: KeyboardEventInit = {}) =>
      field.dispatchEvent(new KeyboardEvent(type, { key: STOP_KEY, bubbles: true, cancelable: true, ...more }));
    key('keydown');
    key('keyup');
    await wait(HELD_MS);
    expect(data.state().flag.flag).toBe('green');
    key('keydown');
    await wait(400);
    key('keydown', { repeat: true });
    await wait(HELD_MS - 400);
    expect(data.state().flag.flag).toBe('stop');
    dialog.remove();
  });
});

describe('Lifting a flag', () => {
  it('stands elsewhere, asks once, and takes two steps after an all-stop', async () => {
    const data = running('10:21');
    data.record({ kind: 'flagCalled', flag: 'stop' });
    const { press, element, follow } = await show(FlagBanner, data);
    const { router, ask } = { router: TestBed.inject(Router), ask: TestBed.inject(Ask) };
    spyOnProperty(router, 'url').and.returnValue('/pit-exit');
    await press('Seen');
    await follow();
    await press('Circuit is clear…');
    expect(data.state().flag.clearedBy).toBeUndefined();
    ask.answer('It is clear');
    await follow();
    expect(data.state().flag.clearedBy).toBe('Test');
    await press('Back to green…');
    ask.answer(undefined);
    await follow();
    expect(data.state().flag.flag).toBe('stop');
    await press('Back to green…');
    ask.answer('Go green');
    await follow();
    expect(data.state().flag.flag).toBe('green');
    expect(element.querySelector('.band')).toBeNull();
  });
});
