import { type DriveResult, type GuestResult, VOCABULARY } from '@core/people/coaching';
import { driveFigures, guestWords, learnedWords } from './';

describe('The figures of a drive', () => {
  const drive = (more: object, index?: object) =>
    ({
      analysis: { bestS: undefined, gainedS: undefined, gainWithinS: undefined, spreadS: undefined, ...more },
      index,
    }) as unknown as DriveResult;

  it('are told as far as they are known', () => {
    expect(driveFigures(drive({}), guestWords('en'))).toEqual(['no clean lap was timed']);
    expect(driveFigures(drive({ bestS: 88 }), guestWords('de'))).toEqual(['beste 1:28,0']);
    const all = drive({ bestS: 88, gainedS: 3.8, gainWithinS: 2.31, spreadS: 1 }, { index: 0.8164, within: 0.004 });
    expect(driveFigures(all, guestWords('en'))).toEqual([
      'best 1:28.0',
      '3.8 s quicker, give or take 2.3',
      'pace index 0.816 ± 0.004',
      'steady within 1.0 s',
    ]);
  });

  it('say it where somebody was slower in the end', () => {
    const slower = drive({ bestS: 88, gainedS: -1.2 });
    expect(driveFigures(slower, guestWords('en'))[1]).toBe('1.2 s slower, give or take 0.0');
    expect(driveFigures(slower, guestWords('fr'))[1]).toBe('1,2 s plus lentement, à 0,0 s près');
  });

  it('go with what somebody can do now: what was good, and what is no longer wrong', () => {
    const noLonger = [VOCABULARY.find(({ id }) => id === 'eyes-near')!];
    const result = { good: ['smooth hands', 'kept out of the lake'], noLonger } as unknown as GuestResult;
    expect(learnedWords(result, guestWords('en').results)).toEqual([
      'smooth hands',
      'kept out of the lake',
      'no longer: eyes too near',
    ]);
    expect(learnedWords(result, guestWords('de').results)).toEqual([
      'ruhige Hände',
      'kept out of the lake',
      'nicht mehr: Blick zu nah',
    ]);
  });
});
