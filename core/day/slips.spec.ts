import { aDay, aGuest, anInstructor, at } from '../testing/small-day';
import { BY_ID, wordsIn } from '@words';
import { slipsOf } from './slips';

describe('What a day file names and does not have', () => {
  it('is told with its path, and with who says so', () => {
    const day = aDay({
      instructors: [anInstructor({ cars: ['c1', 'c99'] })],
      guests: [
        aGuest({
          leavesBy: at('08:30'),
          avoidInstructors: ['i1', 'i8'],
          preferInstructors: ['i9'],
          sameTimeAs: ['g1', 'g9'],
          drives: [{ id: 'd1', cars: ['c1', 'c98'], laps: 5, pin: { car: 'c97', instructor: 'i7' } }],
        }),
      ],
    });
    const { slip } = wordsIn('en', BY_ID);
    expect(slipsOf(day).map(({ who, path, what }) => `${who}: ${path}: ${slip(what, 'file')}`)).toEqual([
      'Anselm Holt: instructors[0].cars[1]: no car "c99" in this file',
      'Ines Faro: guests[0].leavesBy: leaves at 08:30, before arriving at 09:00',
      'Ines Faro: guests[0].avoidInstructors[1]: no instructor "i8" in this file',
      'Ines Faro: guests[0].preferInstructors[0]: no instructor "i9" in this file',
      'Ines Faro: guests[0].sameTimeAs[0]: no other guest "g1" on this day',
      'Ines Faro: guests[0].sameTimeAs[1]: no other guest "g9" on this day',
      'Ines Faro: guests[0].drives[0].cars[1]: no car "c98" in this file',
      'Ines Faro: guests[0].drives[0].pin.car: no car "c97" in this file',
      'Ines Faro: guests[0].drives[0].pin.instructor: no instructor "i7" in this file',
    ]);
  });

  it('is nothing in a day that fits together', () => {
    expect(slipsOf(aDay())).toEqual([]);
  });
});
