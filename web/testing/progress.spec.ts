import type { PlaceMarks } from '@core/coaching';
import { guestResult, vocabularyOf, type DayBefore } from '@core/coaching';
import { circuitFile, mapOf } from '@core/circuit';
import { square } from '@core/testing/circuits';
import { GainChart } from '../progress/gain-chart';
import { MarkMap } from '../progress/mark-map';
import { EvidenceTable } from '../marks/evidence-table';
import { show } from './fake-day';
import { seen } from './two-guests';

const map = mapOf(
  circuitFile.parse({
    name: 'Loop',
    line: square(400, 40, 6),
    corners: [
      { name: 'Ramp', atM: 180 },
      { name: 'Slip', atM: 570 },
    ],
  }),
);

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
    expect(label).toMatch(
      /^Seconds gained within each drive: 1\.5\. Dunnock Cup 2\.0 ± 0\.5; 1\. Sabrel R 6\.0 ± \d\.\d$/,
    );
  });

  it('say so where there are too few clean laps', async () => {
    const data = seen();
    const result = guestResult(data.context(), data.state(), 'g1', vocabularyOf([]))!;
    const { text } = await show(GainChart, data, { shows: 'index', result });
    expect(text()).toBe('No drive has enough clean laps for it yet.');
  });
});

describe('Evidence by corner', () => {
  it('is read with what it may be off by, and nothing stands where nothing was told', async () => {
    const measured = (value: number, within = 1) => ({ value, within });
    const evidence = [
      {
        corner: 'Ramp',
        laps: 4,
        brakesBeforeM: measured(-12.4, 2.2),
        entryKmh: measured(81),
        slowestKmh: measured(64.6),
        exitKmh: measured(92),
        throttleBeforeApexM: measured(3),
        wideOfApexM: measured(2.345, 1),
        unusedAtExitM: undefined,
        proposes: [],
      },
    ];
    const { element, text } = await show(EvidenceTable, seen(), { evidence });
    expect([...element.querySelectorAll('td')].map((cell) => cell.textContent.trim())).toEqual([
      '-12 ± 2',
      '81 ± 1',
      '65 ± 1',
      '92 ± 1',
      '3 ± 1',
      '2.3 ± 1.0',
      '–',
    ]);
    expect(text()).toContain('Mean of 4 clean laps');
  });
});
