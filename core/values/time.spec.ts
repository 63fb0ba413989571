import fc from 'fast-check';
import { DAY_S, durationOf, durationText, lapTimeText, secondsOf, spokenDuration, wallClock } from './time';
import { mergeWindows, overloads } from './windows';

describe('Times of a day', () => {
  it('come back from their text, whatever the second', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: DAY_S }), (second) => secondsOf(wallClock(second)) === second));
    expect(wallClock(secondsOf('09:05'))).toBe('09:05');
  });

  it('are said as people say them', () => {
    expect([40, 400, 1500, 7500].map(spokenDuration)).toEqual(['40 s', '6 min 40 s', '25 min', '2 h 5 min']);
    expect([74.3, 59.96, 125].map(lapTimeText)).toEqual(['1:14.3', '1:00.0', '2:05.0']);
  });
});

describe('Windows', () => {
  const window = fc
    .tuple(fc.nat(500), fc.integer({ min: 1, max: 100 }))
    .map(([from, long]) => ({ from, to: from + long }));

  it('cover the same seconds when merged, without overlaps or touching ends', () => {
    fc.assert(
      fc.property(fc.array(window), fc.nat(700), (windows, second) => {
        const merged = mergeWindows(windows);
        const covers = (list: typeof windows) => list.some(({ from, to }) => from <= second && second < to);
        const apart = merged.every((one, place) => place === 0 || merged[place - 1]!.to < one.from);
        return covers(windows) === covers(merged) && apart;
      }),
    );
    expect(mergeWindows([]).length).toBe(0);
  });

  it('tell an overload exactly where more run at once than allowed', () => {
    fc.assert(
      fc.property(fc.array(window, { maxLength: 12 }), fc.integer({ min: 1, max: 4 }), (windows, most) => {
        const intervals = windows.map(({ from, to }) => ({ startS: from, endS: to }));
        let worst = 0;
        for (let second = 0; second < 700; second++) {
          worst = Math.max(worst, intervals.filter(({ startS, endS }) => startS <= second && second < endS).length);
        }
        return overloads(intervals, most).length > 0 === worst > most;
      }),
    );
    expect(overloads([], 1)).toEqual([]);
  });

  it('are durations as people write them, and come back as they were', () => {
    const read = [
      '25 min',
      '25',
      '1 h 30',
      '1h30',
      '1:30 h',
      '1.5 h',
      '90 s',
      '1 min 30',
      '4 minutes',
      '2 hours 5 min',
    ];
    expect(read.map(durationOf)).toEqual([1500, 1500, 5400, 5400, 5400, 5400, 90, 90, 240, 7500]);
    for (const nonsense of ['', 'soon', '5 s 4 min', '4 km', '-3 min']) expect(durationOf(nonsense)).toBeUndefined();
    fc.assert(fc.property(fc.nat({ max: 20_000 }), (durationS) => durationOf(durationText(durationS)) === durationS));
  });
});
