import { EVEN_RING, type Pass } from '@core/traffic';
import { passWords, wayInWords, type PitDrive } from './pit-exit-model';

const drive = (id: string, number: number) => ({ id, number }) as PitDrive;
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
    const running = [drive('b', 4), drive('c', 7)];
    const words = (...ahead: Pass[]) => passWords(ahead, drive('a', 9), running, EVEN_RING);
    expect(words()).toBe('');
    expect(words(pass({}))).toBe('Expected then: it passes car 4 on lap 2.');
    expect(words(pass({ passing: 'c', passed: 'a' }), pass({ passed: 's1' }), pass({}))).toBe(
      'Expected then: car 7 passes it on lap 3, it passes the sighting run on lap 2, and 1 more.',
    );
  });

  it('lead to the stall', () => {
    const wayIn = 'In at the anchor board, second lane';
    const pitExit = { lastCheck: [], wayIn };
    expect(wayInWords({ stalls: { c9: 9 }, pitExit }, 'c9')).toBe('In at the anchor board, second lane, stall 9');
    expect(wayInWords({ stalls: {}, pitExit: { lastCheck: [] } }, 'c9')).toBe('In at the pull-off');
  });
});
