import { CircuitMapView, type MapChoice, type MapMove } from './circuit-map';
import { show } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/two-guests';
import { LOOP } from '../../../testing/loop';

describe('The map of the circuit', () => {
  it('is worked by keys: choose the next, move what is chosen, by more with Shift', async () => {
    const chosen: (MapChoice | undefined)[] = [];
    const moved: MapMove[] = [];
    const shown = await show(CircuitMapView, dayAt('10:00'), { circuit: LOOP, mode: 'line' });
    shown.fixture.componentInstance.chosen.subscribe((choice) => chosen.push(choice));
    shown.fixture.componentInstance.moved.subscribe((move) => moved.push(move));
    const svg = shown.element.querySelector('svg')!;
    await shown.key(svg, '.');
    await shown.key(svg, 'ArrowUp');
    expect(moved).toEqual([]);
    shown.fixture.componentRef.setInput('choice', { kind: 'point', index: 0 });
    await shown.follow();
    await shown.key(svg, ',');
    expect(chosen).toEqual([
      { kind: 'point', index: 0 },
      { kind: 'point', index: LOOP.line.length - 1 },
    ]);
    shown.fixture.componentRef.setInput('choice', { kind: 'point', index: 3 });
    await shown.follow();
    await shown.key(svg, 'ArrowUp');
    const [{ xM, yM }] = [LOOP.line[3]!];
    expect(moved).toEqual([{ choice: { kind: 'point', index: 3 }, xM, yM: yM + 0.5 }]);
  });

  it('tells in words what it shows', async () => {
    const { element } = await show(CircuitMapView, dayAt('10:00'), { circuit: LOOP });
    expect(element.querySelector('svg')!.getAttribute('aria-label')).toMatch(/^Map of Loop, 1[45]\d\d m/);
    expect([...element.querySelectorAll('text')].map((one) => one.textContent.trim())).toContain('Ramp');
  });
});
