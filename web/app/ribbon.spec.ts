import { at } from '@core/testing/small-day';
import { Ribbon } from './ribbon';
import { show } from '../testing/fake-day';
import { day, dayAt } from '../testing/left-out-day';

describe('The ribbon', () => {
  const ribbon = (element: HTMLElement) => element.querySelector('svg')!;

  it('shows another time by keyboard, and comes back to now', async () => {
    const data = dayAt('10:00');
    const { element, key } = await show(Ribbon, data);
    await key(ribbon(element), 'ArrowLeft');
    expect([data.shownS(), data.live()]).toEqual([at('09:55'), false]);
    await key(ribbon(element), 'PageDown');
    expect(data.shownS()).toBe(at('08:55'));
    await key(ribbon(element), 'PageDown');
    expect(data.shownS()).toBe(day.opens);
    await key(ribbon(element), 'Escape');
    expect(data.live()).toBeTrue();
  });

  it('shows the time under the pointer, and now where the pointer comes near it', async () => {
    const data = dayAt('10:00');
    const { element, fixture } = await show(Ribbon, data);
    const svg = ribbon(element);
    svg.setPointerCapture = () => undefined;
    const { left, width } = svg.getBoundingClientRect();
    const x = (time: string) => left + 18 + ((at(time) - day.opens) / (day.closes - day.opens)) * (width - 36);
    const down = (time: string) =>
      svg.dispatchEvent(new PointerEvent('pointerdown', { clientX: x(time), bubbles: true }));
    down('15:00');
    await fixture.whenStable();
    expect(Math.abs(data.shownS() - at('15:00'))).toBeLessThan(120);
    down('10:00');
    expect(data.live()).toBeTrue();
  });

  it('says the time and the load to those who do not see it', async () => {
    const { element } = await show(Ribbon, dayAt('10:00'));
    expect(ribbon(element).getAttribute('aria-valuetext')).toBe('10:00, now, 0 on the circuit');
    // Two of ten hours are over; a bar stands for five minutes.
    expect(element.querySelectorAll('.planned').length).toBe(96);
    expect(element.querySelectorAll('.driven').length).toBe(24);
  });
});
