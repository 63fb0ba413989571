import type { PlaceMarks } from '@core/people/coaching';
import { mapOf } from '@core/track/circuit';
import { LOOP } from '../../../testing/loop';
import { MarkMap } from './mark-map';
import { show } from '../../../testing/fake-day';
import { seen } from '../../../testing/two-guests';

const map = mapOf(LOOP);

describe('Marks on the circuit', () => {
  const marks: PlaceMarks[] = [
    { corner: 'Ramp', phase: 'turnIn', count: 3 },
    { corner: 'Ramp', phase: 'exit', count: 1 },
    { corner: 'Slip', phase: 'brake', count: 1 },
    { corner: 'Old Slip', phase: 'brake', count: 2 },
    { corner: undefined, phase: 'look', count: 4 },
  ];

  it('are heat on the road, and the same in a table with the phases in the order of a corner', async () => {
    const { element, text } = await show(MarkMap, seen(), { map, marks });
    expect(element.querySelectorAll('.heat').length).toBe(3);
    expect([...element.querySelectorAll('thead th')].map((one) => one.textContent.trim())).toEqual([
      'Corner',
      'Brake',
      'Turn in',
      'Exit',
    ]);
    const rows = [...element.querySelectorAll('tbody tr')].map((row) =>
      [...row.children].map((cell) => cell.textContent.trim()),
    );
    expect(rows).toEqual([
      ['Ramp', '', '3', '1'],
      ['Slip', '1', '', ''],
    ]);
    expect(text()).toContain('Marked at corners that are called otherwise now: Old Slip');
    const opacity = [...element.querySelectorAll('.heat')].map((one) => Number(one.getAttribute('stroke-opacity')));
    expect(Math.max(...opacity)).toBe(1);
  });

  it('are none where nothing was marked', async () => {
    const { element } = await show(MarkMap, seen(), { map, marks: [] });
    expect(element.querySelector('svg')!.getAttribute('aria-label')).toBe('No marks');
    expect(element.querySelector('table')).toBeNull();
  });
});
