import type { DriveState } from '../../journal';
import { soonerCalls } from './sooner';
import { vocabularyOf } from './vocabulary';

const vocabulary = vocabularyOf([]);
type Marks = DriveState['marked'][number]['marks'];
const drive = (id: string, marks: Marks) =>
  ({ drive: { id, cars: ['c1'], laps: 5 }, marked: [{ marks, atS: 0, by: 'Test' }] }) as unknown as DriveState;
const told = (...drives: DriveState[]) => soonerCalls(drives, vocabulary).map(({ id, times }) => `${id} ${times}`);
const early = (corner?: string, lap?: number) => ({ fault: 'turns-early', corner, lap }) as Marks[number];

describe('A call that comes sooner by itself', () => {
  it('is that of a fault marked twice at one corner, in one drive or in two', () => {
    expect(told(drive('d1', [early('Slip', 2)]))).toEqual([]);
    expect(told(drive('d1', [early('Slip', 2), early('Slip', 3)]))).toEqual(['Slip-turn 2']);
    expect(told(drive('d1', [early('Slip')]), drive('d2', [early('Slip')]))).toEqual(['Slip-turn 2']);
  });

  it('is none where two instructors marked the same, or where it was marked everywhere or elsewhere', () => {
    expect(told(drive('d1', [early('Slip', 2), early('Slip', 2)]))).toEqual([]);
    expect(told(drive('d1', [early(undefined, 1), early(undefined, 2)]))).toEqual([]);
    expect(told(drive('d1', [early('Slip', 1), early('Ramp', 2)]))).toEqual([]);
  });

  it('is moved once, for what came most often, and hands are called where they wander', () => {
    const late = (lap: number) => ({ fault: 'turns-late', corner: 'Slip', lap });
    expect(told(drive('d1', [early('Slip', 1), early('Slip', 2), late(3), late(4), late(5)]))).toEqual(['Slip-turn 3']);
    const hands = (lap: number) => ({ fault: 'hands-wander', corner: 'Slip', lap });
    expect(told(drive('d1', [hands(1), hands(2)]))).toEqual(['Slip-hands 2']);
    expect(
      told(
        drive('d1', [
          { fault: 'slide-late', corner: 'Slip' },
          { fault: 'slide-late', corner: 'Slip', lap: 2 },
        ]),
      ),
    ).toEqual([]);
  });
});
