import * as fc from 'fast-check';
import { clearPlace, overlap, type Box } from './label-places';

const size = { halfWidth: 10, halfHeight: 6 };
const number = fc.double({ min: -60, max: 60, noNaN: true });
const box = fc.record({ x: number, y: number }).map((at): Box => ({ ...at, ...size }));

describe('Labels on the map', () => {
  it('overlap by what both cover, whichever is asked', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        expect(overlap(a, b)).toBeCloseTo(overlap(b, a), 9);
        expect(overlap(a, b)).toBeLessThanOrEqual(4 * size.halfWidth * size.halfHeight + 1e-9);
      }),
    );
    expect(overlap({ x: 0, y: 0, ...size }, { x: 21, y: 0, ...size })).toBe(0);
  });

  it('keep clear of what is there, unless there is no room at all', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 5 }), number, (taken, first) => {
        const at = { x: 0, y: 0 };
        const { box: found } = clearPlace(at, size, taken, { first, off: 30 });
        const covers = taken.reduce((sum, other) => sum + overlap(found, other), 0);
        // Of sixteen places, five boxes as large as the label cannot take all.
        expect(covers).toBe(0);
      }),
    );
  });

  it('stay where they were drawn last as long as nothing comes there', () => {
    const { place } = clearPlace({ x: 0, y: 0 }, size, [{ x: 0, y: -30, ...size }], { first: -Math.PI / 2, off: 30 });
    expect(place).not.toBe(0);
    expect(clearPlace({ x: 0, y: 0 }, size, [], { first: -Math.PI / 2, off: 30, before: place }).place).toBe(place);
  });
});
