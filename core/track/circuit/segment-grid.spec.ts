import * as fc from 'fast-check';
import { crossingOf } from './faults';
import { SegmentGrid, type FlatPoint } from './segment-grid';

const coordinate = fc.double({ min: -300, max: 300, noNaN: true });
const point = fc.record({ xM: coordinate, yM: coordinate });
const line = fc.array(point, { minLength: 3, maxLength: 40 });

const away = (grid: SegmentGrid, i: number, { xM, yM }: FlatPoint): number => {
  const [a, b] = grid.endsOf(i);
  const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
  const along = Math.min(1, Math.max(0, ((xM - a.xM) * dx + (yM - a.yM) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(a.xM + along * dx - xM, a.yM + along * dy - yM);
};

describe('Stretches sorted by place', () => {
  it('have the one nearest to a point among those around it', () => {
    fc.assert(
      fc.property(line, point, (of, at) => {
        const grid = new SegmentGrid(of);
        const nearest = (among: readonly number[]) => Math.min(...among.map((i) => away(grid, i, at)));
        expect(nearest(grid.around(at))).toBeCloseTo(nearest(of.map((_, i) => i)), 9);
      }),
    );
  });

  it('are found where they cross, the first crossing first, as by looking at all pairs', () => {
    const side = (a: FlatPoint, b: FlatPoint, p: FlatPoint) =>
      (b.xM - a.xM) * (p.yM - a.yM) - (b.yM - a.yM) * (p.xM - a.xM);
    const byAllPairs = (of: readonly FlatPoint[]) => {
      for (let i = 0; i < of.length; i++) {
        const [a, b] = [of[i]!, of[(i + 1) % of.length]!];
        for (let j = i + 2; j < of.length; j++) {
          if (i === 0 && j === of.length - 1) continue;
          const [c, d] = [of[j]!, of[(j + 1) % of.length]!];
          if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return [i, j];
        }
      }
      return undefined;
    };
    fc.assert(fc.property(line, (of) => expect(crossingOf(of, of)).toEqual(byAllPairs(of) as never)));
  });
});
