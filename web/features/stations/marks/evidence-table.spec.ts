import { EvidenceTable } from './evidence-table';
import { show } from '../../../testing/fake-day';
import { seen } from '../../../testing/two-guests';

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
