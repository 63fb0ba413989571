import { ordinal } from './driving';
import { LEGENDS, type Marker } from '@core/track/circuit';
import {
  BREAK_OFF_WORDS,
  CAR_STATUS_WORDS,
  CONE_WORDS,
  coneWords,
  CREW_STATUS_WORDS,
  FLAG_WORDS,
  FRIEND_WISH_WORDS,
  GUEST_STAGE_WORDS,
  PHASE_WORDS,
  TERM_WORDS,
} from './terms';

describe('The terms of the field', () => {
  it('have words that tell them apart', () => {
    const lists: readonly Readonly<Record<string, string>>[] = [
      ...[CONE_WORDS, PHASE_WORDS, FLAG_WORDS, BREAK_OFF_WORDS, FRIEND_WISH_WORDS, TERM_WORDS],
      ...[CAR_STATUS_WORDS, CREW_STATUS_WORDS, GUEST_STAGE_WORDS],
    ];
    for (const words of lists) {
      const told = Object.values(words);
      expect(told.filter((word, place) => told.indexOf(word) !== place)).toEqual([]);
    }
  });

  it('say what stands at the road: one cone, a pair, several, or something that is no cone', () => {
    const cones = (count: number): Marker => ({ by: 'cone', count, colour: 'white', pattern: 'plain', css: '#ffffff' });
    expect([1, 2, 3].map((count) => coneWords('brake', cones(count)))).toEqual([
      'white cone: brake',
      'a pair of white cones: brake',
      '3 white cones: brake',
    ]);
    expect(coneWords('pullOff', LEGENDS[0]!.pullOff)).toBe('anchor board: pull off');
    expect(coneWords('exit', { ...cones(1), pattern: 'banded' })).toBe('banded white cone: exit');
    expect(coneWords('gate', { ...cones(2), pattern: 'inRow' })).toBe(
      'a pair of white cones one behind the other: gate',
    );
  });

  it('count corners and gears as people do', () => {
    expect([1, 2, 3, 4, 11, 12, 13, 21, 22, 101].map(ordinal)).toEqual([
      '1st',
      '2nd',
      '3rd',
      '4th',
      '11th',
      '12th',
      '13th',
      '21st',
      '22nd',
      '101st',
    ]);
  });
});
