import { EVEN_RING, type Pass } from '@core/live/traffic';
import { passWords, wayInWords } from './pit-exit-model';

const pass = (more: Partial<Pass>): Pass => ({
  passing: 'a',
  passed: 'b',
  atS: 0,
  passingLap: 2,
  passedLap: 3,
  timeShare: 0.5,
  ...more,
});

describe('Words at the pit exit', () => {
  it('tell who passes whom on which lap, two at most', () => {
    const called = new Map([
      ['b', 'car 4'],
      ['c', 'car 7'],
      ['s1', 'Heron'],
      ['train 2', 'car 3'],
    ]);
    const words = (...ahead: Pass[]) => passWords(ahead, ahead.length, 'a', called, EVEN_RING);
    expect(words()).toBe('');
    expect(words(pass({}))).toBe('Expected then: it passes car 4 on lap 2.');
    expect(words(pass({ passing: 'c', passed: 'a' }), pass({ passed: 's1' }), pass({}))).toBe(
      'Expected then: car 7 passes it on lap 3, it passes Heron on lap 2, and 1 more.',
    );
    const counted = (expected: number, ...ahead: Pass[]) => passWords(ahead, expected, 'a', called, EVEN_RING);
    expect(counted(2, pass({}))).toBe('Expected then: it passes car 4 on lap 2, and perhaps 1 more.');
    expect(counted(0, pass({}))).toBe('');
    expect(words(pass({ passed: 'train 2' }))).toBe('Expected then: it passes car 3 on lap 2.');
  });

  it('lead to the stall', () => {
    const wayIn = 'In at the anchor board, second lane';
    const pitExit = { lastCheck: [], wayIn };
    expect(wayInWords({ stalls: { c9: 9 }, pitExit }, 'c9')).toBe('In at the anchor board, second lane, stall 9');
    expect(wayInWords({ stalls: {}, pitExit: { lastCheck: [] } }, 'c9')).toBe('In at the pull-off');
  });
});
