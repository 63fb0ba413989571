import fc from 'fast-check';
import { circuitFile } from '../../track/circuit/at-start';
import { mapOf } from '../../track/circuit';
import type { DriveState } from '../../journal';
import { square } from '../../testing/circuits';
import { heatOf, marksByCorner, marksByPlace, type PlaceMarks } from './heat';
import { highestLevels } from './levels';
import { phase } from './fault-entry';
import { vocabularyOf } from './vocabulary';

const CORNERS = ['Ramp', 'Slip', 'Winch'];
const map = mapOf(
  circuitFile.parse({
    name: 'Loop',
    line: square(600, 40, 6),
    corners: [
      { name: 'Ramp', atM: 20 },
      { name: 'Slip', atM: 500 },
      { name: 'Winch', atM: 560 },
    ],
  }),
);

function marked(...marks: DriveState['marked'][number]['marks']): Pick<DriveState, 'marked'> {
  return { marked: [{ marks, by: 'Odile' } as unknown as DriveState['marked'][number]] };
}

describe('Marks by corner and phase', () => {
  const words = vocabularyOf([]);

  it('count a fault once a corner and drive, once a lap where laps are named, and drives add up', () => {
    const twice = {
      marked: [
        ...marked({ fault: 'turns-early', corner: 'Ramp' }).marked,
        ...marked({ fault: 'turns-early', corner: 'Ramp' }, { fault: 'turns-late', corner: 'Ramp' }).marked,
      ],
    };
    const byLap = marked(
      { fault: 'brakes-late', corner: 'Slip', lap: 2 },
      { fault: 'brakes-late', corner: 'Slip', lap: 3 },
      { fault: 'brakes-late' },
    );
    expect(marksByPlace([twice, byLap, marked({ fault: 'turns-early', corner: 'Ramp' })], words)).toEqual([
      { corner: 'Ramp', phase: 'turnIn', count: 3 },
      { corner: 'Slip', phase: 'brake', count: 2 },
      { corner: undefined, phase: 'brake', count: 1 },
    ]);
  });

  it('add up to the marks of a corner, without those of everywhere', () => {
    const marks: PlaceMarks[] = [
      { corner: 'Ramp', phase: 'turnIn', count: 3 },
      { corner: 'Ramp', phase: 'exit', count: 1 },
      { corner: undefined, phase: 'brake', count: 5 },
    ];
    expect([...marksByCorner(marks)]).toEqual([['Ramp', 4]]);
  });

  it('leave out what the vocabulary does not know', () => {
    expect(marksByPlace([marked({ fault: 'nothing-known', corner: 'Ramp' })], words)).toEqual([]);
  });

  it('lie on the road in the order of a corner, those of two corners never on each other', () => {
    const any = fc.uniqueArray(
      fc.record({
        corner: fc.constantFrom<string | undefined>(...CORNERS, 'called otherwise once', undefined),
        phase: fc.constantFrom(...phase.options),
        count: fc.integer({ min: 1, max: 9 }),
      }),
      { selector: (one) => `${one.corner} ${one.phase}` },
    );
    fc.assert(
      fc.property(any, (marks: PlaceMarks[]) => {
        const heat = heatOf(marks, map);
        const placed = marks.filter((one) => CORNERS.includes(one.corner ?? '') && one.phase !== 'whole');
        expect(heat.length).toBe(placed.length);
        heat.forEach((stretch, i) => {
          expect(stretch.from).toBeLessThan(stretch.to);
          const next = heat[i + 1];
          if (next) expect(next.from).toBeGreaterThanOrEqual(stretch.to - 1e-9);
        });
      }),
    );
  });
});

describe('The level that was reached', () => {
  it('is the highest by programme, on the first day it was reached', () => {
    const reached = (programme: string, level: number, date: string) => ({ programme, level, date, car: 'Sabrel R' });
    expect(
      highestLevels([
        reached('coached drive', 3, '2027-05-01'),
        reached('low grip', 1, '2027-05-01'),
        reached('coached drive', 4, '2027-05-20'),
        reached('coached drive', 4, '2027-05-09'),
      ]),
    ).toEqual([reached('coached drive', 4, '2027-05-09'), reached('low grip', 1, '2027-05-01')]);
    expect(highestLevels([])).toEqual([]);
  });
});
