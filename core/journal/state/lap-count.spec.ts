import fc from 'fast-check';
import {
  agreedCrossings,
  countsDiffer,
  noCount,
  report,
  settleCount,
  type LapCount,
  type LapSource,
} from './lap-count';

const LAP = { lapS: 80, sinceS: 0, hindered: false };
const count = (reports: readonly (readonly [LapSource, number])[], lap = LAP): LapCount => {
  const it = noCount();
  for (const [source, atS] of reports) report(it, { atS, source, by: source }, lap);
  return it;
};

describe('Two counts of laps', () => {
  it('agree where loop and people see the same crossings some seconds apart', () => {
    const it = count([
      ['loop', 80],
      ['hand', 83],
      ['hand', 159],
      ['loop', 160],
    ]);
    expect([it.loop, it.hand, agreedCrossings(it)]).toEqual([2, 2, 2]);
    expect(countsDiffer(it, 200)).toBeUndefined();
  });

  it('are settled in the guest’s favour where they differ, and say so once both have had time', () => {
    const it = count([
      ['loop', 80],
      ['hand', 82],
      ['loop', 160],
    ]);
    expect(agreedCrossings(it)).toBe(1);
    expect(countsDiffer(it, 170)).toBeUndefined();
    expect(countsDiffer(it, 181)).toEqual({ loop: 2, hand: 1 });
  });

  it('take a source that is two behind as one that has stopped counting, and let it join again', () => {
    const it = count([
      ['loop', 80],
      ['hand', 82],
      ['loop', 160],
      ['loop', 240],
    ]);
    expect(agreedCrossings(it)).toBe(3);
    report(it, { atS: 322, source: 'hand', by: 'Ife' }, LAP);
    expect([it.hand, agreedCrossings(it)]).toEqual([4, 3]);
  });

  it('let somebody join late who begins to count in the middle of a drive', () => {
    const it = count([
      ['loop', 80],
      ['loop', 160],
      ['hand', 163],
    ]);
    expect([it.loop, it.hand]).toEqual([2, 2]);
  });

  it('mark a double crossing and a second tap for the same lap, and count neither', () => {
    const loop = count([
      ['loop', 80],
      ['loop', 81],
    ]);
    expect([loop.loop, loop.marks.map(({ as }) => as)]).toEqual([1, ['counted', 'same']]);
    expect(count([['hand', 80], ['hand', 95]]).hand).toBe(1); // prettier-ignore
  });

  it('mark a crossing that was probably missed; it counts where people have seen it', () => {
    const alone = count([
      ['loop', 80],
      ['loop', 241],
    ]);
    expect([alone.loop, alone.marks.at(-1)!.as]).toEqual([2, 'missed']);
    const seen = count([
      ['loop', 80],
      ['hand', 82],
      ['hand', 162],
      ['loop', 241],
      ['hand', 243],
    ]);
    expect([seen.loop, seen.hand, agreedCrossings(seen)]).toEqual([3, 3, 3]);
  });

  it('suspect nothing of a lap that was slowed by traffic or a flag', () => {
    const it = noCount();
    report(it, { atS: 80, source: 'loop', by: 'loop' }, LAP);
    expect(report(it, { atS: 240, source: 'loop', by: 'loop' }, { ...LAP, hindered: true })).toBe('counted');
  });

  it('go on from what somebody has decided', () => {
    const it = count([
      ['loop', 80],
      ['hand', 82],
      ['loop', 160],
    ]);
    settleCount(it, 2, 185, 'Marshal');
    expect(agreedCrossings(it)).toBe(2);
    report(it, { atS: 240, source: 'loop', by: 'loop' }, LAP);
    report(it, { atS: 243, source: 'hand', by: 'Ife' }, LAP);
    expect(agreedCrossings(it)).toBe(3);
  });

  it('never lose a report, and never hold more laps than the source that has counted most', () => {
    const reports = fc.array(fc.tuple(fc.constantFrom<LapSource>('loop', 'hand'), fc.integer({ min: 1, max: 130 })), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(reports, (steps) => {
        let atS = 0;
        const it = noCount();
        let before = 0;
        for (const [source, afterS] of steps) {
          atS += afterS;
          report(it, { atS, source, by: source }, LAP);
          const agreed = agreedCrossings(it);
          expect(agreed).toBeGreaterThanOrEqual(before);
          expect(agreed).toBeLessThanOrEqual(Math.max(it.loop ?? 0, it.hand ?? 0));
          before = agreed;
        }
        expect(it.marks.length).toBe(steps.length);
      }),
    );
  });
});
