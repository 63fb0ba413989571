import * as fc from 'fast-check';
import type { CallFact, CardAdvice, CornerRemark, LapObstacle } from '@core/track/car';
import { fact } from '@core/values';
import { BY_ID } from './names';
import { wordsIn } from './';

const words = wordsIn('en', BY_ID);

describe('An instructor reads', () => {
  it('what to say, gears by their number', () => {
    const plain = ['brake', 'release', 'easeOff', 'turn', 'apex', 'secondApex', 'balance', 'throttle', 'exit'] as const;
    expect(plain.map((code): CallFact => fact(code, {})).map((call) => words.call(call))).toEqual([
      'Brake',
      'Release',
      'Ease off the brake',
      'Turn',
      'Apex',
      'Second apex',
      'Hold it with a little throttle',
      'Throttle, wheel straight',
      'Out to the exit',
    ]);
    expect(words.call(fact('gearDown', {}, { to: 2 }))).toBe('Down to 2nd');
    expect(words.call(fact('gearUp', {}, { to: 4 }))).toBe('Up to 4th');
    expect(words.call(fact('look', {}, { where: 'the red door' }))).toBe('Eyes to the red door');
  });

  it('what to say in the words of the venue, with what is called in them', () => {
    const customs = { gearDown: { say: '{gear} now' }, look: { say: 'See {where}' }, brake: { say: 'Firm' } };
    expect(words.call(fact('gearDown', {}, { to: 3 }), customs)).toBe('3rd now');
    expect(words.call(fact('look', {}, { where: 'the crane' }), customs)).toBe('See the crane');
    expect(words.call(fact('brake', {}), customs)).toBe('Firm');
    expect(words.call(fact('brakeLightly', {}), customs)).toBe('Brake, lightly');
    expect(words.call(fact('turn', {}), customs)).toBe('Turn');
  });

  it('what is special about a corner, and the venue’s own words for it', () => {
    const remarks: CornerRemark[] = [
      fact('lightThrottle', {}),
      fact('noThrottleYet', {}),
      fact('noExitCone', {}),
      fact('noGearChange', {}),
      fact('givenAway', {}),
      fact('rideKerbs', {}),
      fact('avoidKerbs', {}),
      fact('slippery', {}, { where: 'the seam' }),
      fact('roadMarks', {}, { text: 'white line' }),
      fact('oftenWrong', {}, { text: 'turns in early' }),
    ];
    expect(remarks.map(words.cornerRemark)).toEqual([
      'light throttle in mid-corner',
      'no throttle until the wheel unwinds',
      'no exit cone: stay on the inside, the next corner comes from there',
      'no gear change here',
      'given away for the next straight: slow in',
      'kerbs may be ridden',
      'leave the kerbs alone',
      'slippery: the seam',
      'white line',
      'often wrong: turns in early',
    ]);
  });

  it('what a car is here, each value with its unit', () => {
    expect([
      words.cardValue('driven', 'rear'),
      words.cardValue('engine', 'mid'),
      words.cardValue('massKg', 1420),
      words.cardValue('powerKW', 331),
      words.cardValue('powerKWPerT', 233),
      words.cardValue('gears', [2, 3, 4]),
      words.cardValue('gears', [3]),
      words.cardValue('shifts', 8),
      words.cardValue('topSpeedKmh', 181),
      words.cardValue('lapS', 74.2),
      words.cardValue('brakes', 'soft'),
    ]).toEqual([
      ...['rear wheels', 'behind the seats', '1420 kg', '331 kW', '233 kW/t', '2 to 4', '3', '8', '181 km/h', '74.2 s'],
      'soft',
    ]);
    expect(words.cardTopic('powerKWPerT')).toBe('Power to weight');
  });

  it('what to do otherwise in this car', () => {
    const advice: CardAdvice[] = [
      fact('pulls', {}, { wheels: 'front' }),
      fact('turns', {}, { engine: 'rear' }),
      fact('gearsHere', {}, { gears: [2, 3], shifts: 4 }),
      fact('stronger', {}, { percent: 30 }),
      fact('heavier', {}, { kg: 140 }),
      fact('lighter', {}, { kg: 150 }),
      fact('moreShifts', {}, { shifts: 3 }),
      fact('fewerShifts', {}, { shifts: 2 }),
      fact('brakesSooner', {}, { metres: 12 }),
      fact('brakesLater', {}, { metres: 9 }),
      fact('alike', {}),
    ];
    const sentences = advice.map(words.cardAdvice);
    expect(sentences[2]).toBe('Gears 2 to 3 do all the work here, 4 shifts a lap.');
    expect(sentences[3]).toContain('30 % more per tonne');
    expect(sentences[8]).toBe('Braking begins 12 m sooner on average: it arrives faster.');
    expect(new Set(sentences).size).toBe(advice.length);
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
  });

  it('how much quicker a guest became', () => {
    expect(words.gained(1.26)).toBe('1.3 s quicker within the last drive');
  });

  it('why there is no lap, whatever the numbers', () => {
    const positive = fc.double({ min: 0.1, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(positive, positive, (one, other) => {
        const reasons: LapObstacle[] = [
          fact('cannotTurn', {}, { radiusM: one, leastRadiusM: other }),
          fact('brakesCannotHold', {}),
          fact('cannotClimb', {}),
          fact('paceTooQuick', {}, { pace: one, bestPace: other }),
          fact('paceTooSlow', {}, { pace: one }),
        ];
        const sentences = reasons.map(words.lapObstacle);
        expect(new Set(sentences).size).toBe(reasons.length);
        expect(sentences[0]).toContain(`${one.toFixed(1)} m, its steering needs ${other.toFixed(1)} m`);
        expect(sentences[3]).toContain(`its best is ${other.toFixed(3)}`);
      }),
    );
  });
});
