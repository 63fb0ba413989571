import fc from 'fast-check';
import { linearScale } from './linear-scale';

describe('A linear scale', () => {
  it('lays the ends of its domain on the ends of its range, and finds each value again', () => {
    const ends = fc.tuple(fc.integer({ min: 0, max: 90_000 }), fc.integer({ min: 1, max: 90_000 }));
    fc.assert(
      fc.property(ends, ends, fc.integer({ min: -90_000, max: 90_000 }), ([from, span], [left, px], value) => {
        const x = linearScale([from, from + span], [left, left + px]);
        expect(x(from)).toBe(left);
        expect(x(from + span)).toBeCloseTo(left + px, 6);
        expect(x.invert(x(value))).toBeCloseTo(value, 6);
      }),
    );
  });

  it('of a day without length has everything at its left', () => {
    const x = linearScale([36_000, 36_000], [18, 400]);
    expect([x(40_000), x.invert(200)]).toEqual([18, 36_000]);
  });
});
