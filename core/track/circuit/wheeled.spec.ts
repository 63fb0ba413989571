import * as fc from 'fast-check';
import { square } from '../../testing/circuits';
import { centreLineOf } from './centre-line';
import { Wheeled } from './wheeled';

describe('Distances along a line that can be wheeled', () => {
  const centre = centreLineOf(square(600, 35, 6), 2);

  it('are those of the middle, longer outside and shorter inside by a turn times the way between', () => {
    const [middle, left, right] = (['middle', 'left', 'right'] as const).map((along) => new Wheeled(centre, along));
    expect(middle!.lengthM).toBeCloseTo(centre.lengthM, 0);
    // A lap turns once round, by 2 pi, whatever its corners are.
    const turns = Math.abs(left!.lengthM - middle!.lengthM);
    expect(turns).toBeCloseTo(2 * Math.PI * centre.leftM[0]!, 0);
    expect(Math.abs(right!.lengthM - middle!.lengthM)).toBeCloseTo(2 * Math.PI * centre.rightM[0]!, 0);
    expect(Math.sign(left!.lengthM - middle!.lengthM)).toBe(-Math.sign(right!.lengthM - middle!.lengthM));
  });

  it('grow from the start to the whole length, whichever line is taken', () => {
    const place = fc.double({ min: 0, max: 0.9999, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom('middle', 'left', 'right'), place, place, (along, a, b) => {
        const line = new Wheeled(centre, along);
        const [near, far] = [Math.min(a, b), Math.max(a, b)].map((share) => line.at(share * centre.lengthM));
        expect(near).toBeLessThanOrEqual(far!);
        expect(near).toBeGreaterThanOrEqual(0);
        expect(far).toBeLessThanOrEqual(line.lengthM + 1e-9);
      }),
    );
  });
});
