import { aDay, aPlan } from '@core/testing/small-day';
import { Board } from './board';
import { FakeDay, show } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/left-out-day';

describe('The board', () => {
  it('opens a drive, moves on by arrow keys, and closes it with Escape', async () => {
    const { element, key, loaded, text } = await show(Board, dayAt('09:00'));
    const blocks = () => [...element.querySelectorAll<SVGGElement>('.drive')];
    expect(blocks().map((block) => block.getAttribute('tabindex'))).toEqual(['0', '-1']);
    await key(blocks()[0]!, 'ArrowDown');
    expect(document.activeElement).toBe(blocks()[1]!);
    await key(blocks()[1]!, 'Enter');
    await loaded('jl-drive-details aside');
    expect(text()).toContain('seat 10:56, out 11:00, back 11:10');
    await key(element, 'Escape');
    expect(element.querySelector('aside')).toBeNull();
  });

  it('turns to crew and guests, and names what is left out', async () => {
    const { element, loaded, press, text } = await show(Board, dayAt('09:00'));
    await loaded('jl-board-choices p-togglebutton');
    const rows = () => [...element.querySelectorAll('.label b')].map((name) => name.textContent);
    expect(rows().slice(0, 2)).toEqual(['Dunnock Cup', 'Sabrel R']);
    await press('Crew');
    expect(rows()).toEqual(['Anselm Holt', 'Ife Okoro']);
    await press('Guests');
    expect(rows()).toEqual(['Ines Faro', 'Piet Verhoeve']);
    expect(text()).toContain('1 left out');
    await press('1 left out');
    await loaded('[aria-label="To solve"]');
    expect(element.querySelector('[aria-label="To solve"]')?.textContent).toContain('another car would do');
  });

  it('sends the manager to the bookings where nobody is booked', async () => {
    const { text } = await show(Board, new FakeDay(aDay({ guests: [] }), aPlan(), '09:00'));
    expect(text()).toContain('Nobody is booked for this day yet.');
  });

  it('makes blocks wider when zoomed in', async () => {
    const { element, loaded, press } = await show(Board, dayAt('10:00'));
    await loaded('jl-board-choices p-togglebutton');
    const width = () => element.querySelector<SVGPathElement>('.drive .outline')!.getBBox().width;
    const whole = width();
    await press('1 h');
    expect(width()).toBeGreaterThan(whole * 1.5);
    await press('Day');
    expect(width()).toBeCloseTo(whole, 1);
  });
});
