import { ordinal } from './driving';
import { coneKind } from '@core/track/circuit/at-start';
import { LEGENDS, type Marker } from '@core/track/circuit';
import { phase } from '@core/people/coaching';
import { COST_TERMS } from '@core/cost';
import { FRIEND_WISHES } from '@core/day/friends';
import { breakOffReason } from '@core/journal/entries/parts';
import { flagKind } from '@core/journal';
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
  it('have a word each that tells them apart', () => {
    const lists: readonly (readonly [readonly string[], Readonly<Record<string, string>>])[] = [
      [coneKind.options, CONE_WORDS],
      [phase.options, PHASE_WORDS],
      [flagKind.options, FLAG_WORDS],
      [breakOffReason.options, BREAK_OFF_WORDS],
      [FRIEND_WISHES, FRIEND_WISH_WORDS],
      [COST_TERMS.map(({ name }) => name), TERM_WORDS],
      [Object.keys(CAR_STATUS_WORDS), CAR_STATUS_WORDS],
      [Object.keys(CREW_STATUS_WORDS), CREW_STATUS_WORDS],
      [Object.keys(GUEST_STAGE_WORDS), GUEST_STAGE_WORDS],
    ];
    for (const [kinds, words] of lists) {
      const told = kinds.map((kind) => words[kind]);
      expect(told).not.toContain(undefined);
      expect(new Set(told).size).toBe(kinds.length);
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
