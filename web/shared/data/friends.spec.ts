import { layOut } from '@core/day';
import { aDay, aGuest, anInstructor, aPlan, drive } from '@core/testing/small-day';
import { friendLines } from './friends';

describe('The wishes of friends, in words', () => {
  const day = aDay({
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [
      aGuest({ inTurnWith: ['g2'], sameInstructorAs: ['g2'] }),
      aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] }),
    ],
  });
  const second = drive('10:15', { drive: 'd2', instructor: 'i2' });
  const lines = (drives = [drive('10:00'), second], ...of: [guest: string, drive?: string]) =>
    friendLines(layOut(day, aPlan({ drives })), ...of).map(({ words, kept }) => [words, kept]);

  it('say over the day whether they are kept, to both of them', () => {
    expect(lines(undefined, 'g1')).toEqual([
      ['in turn with Piet Verhoeve: as wished', true],
      ['the same instructor as Piet Verhoeve: not for 1 of 1 drive', false],
    ]);
    expect(lines(undefined, 'g2')[0]).toEqual(['in turn with Ines Faro: as wished', true]);
    expect(lines([], 'g1')[0]).toEqual(['in turn with Piet Verhoeve: not planned yet', true]);
  });

  it('say of a drive when the friend is out, or that it is not as they wish', () => {
    expect(lines(undefined, 'g1', 'd1')).toEqual([
      ['in turn with Piet Verhoeve, out 10:15', true],
      ['not the same instructor as Piet Verhoeve, as they wish', false],
    ]);
    expect(lines(undefined, 'g2', 'd2')).toEqual([['in turn with Ines Faro, out 10:00', true]]);
  });
});
