import fc from 'fast-check';
import { placed, placingBy, placingOnGlobe, withHeights } from './placing';
import { toLatLon, toPlane } from './plane';

const coordinate = fc.double({ min: -900, max: 900, noNaN: true });
const point = fc.record({ xM: coordinate, yM: coordinate });
const near = (a: { xM: number; yM: number }, b: { xM: number; yM: number }) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

describe('A sheet that is placed by two places', () => {
  it('has both where they are known to be, and every distance grown alike', () => {
    fc.assert(
      fc.property(point, point, point, point, point, point, (a, b, onA, onB, c, d) => {
        fc.pre(near(a, b) > 5 && near(onA, onB) > 5);
        const placing = placingBy([a, b], [onA, onB])!;
        expect(near(placed(a, placing), onA)).toBeLessThan(1e-6);
        expect(near(placed(b, placing), onB)).toBeLessThan(1e-6);
        expect(near(placed(c, placing), placed(d, placing))).toBeCloseTo(near(c, d) * placing.scale, 4);
      }),
    );
  });

  it('lies on the globe where its two places do', () => {
    const origin = { latDeg: 61.9, lonDeg: -6.8 };
    const truth = [
      { xM: -150, yM: 80 },
      { xM: 340, yM: -210 },
      { xM: 20, yM: 400 },
    ] as const;
    // The sheet is drawn at half the scale and a quarter turned.
    const sheet = truth.map(({ xM, yM }) => ({ xM: yM / 2 + 40, yM: -xM / 2 - 7 }));
    const known = (i: number) => ({ ...sheet[i]!, ...toLatLon(truth[i]!, origin) });
    const found = placingOnGlobe([known(0), known(1)])!;
    expect(found.placing.scale).toBeCloseTo(2, 3);
    const third = toLatLon(placed(sheet[2]!, found.placing), found.origin);
    expect(near(toPlane(third, origin), truth[2])).toBeLessThan(0.2);
  });

  it('is not placed by one place that is given twice', () => {
    expect(
      placingBy(
        [
          { xM: 1, yM: 1 },
          { xM: 1, yM: 1.1 },
        ],
        [
          { xM: 0, yM: 0 },
          { xM: 9, yM: 9 },
        ],
      ),
    ).toBeUndefined();
  });
});

describe('Heights typed by place', () => {
  const square = [
    [0, 0],
    [50, 0],
    [100, 0],
    [100, 100],
    [0, 100],
  ].map(([xM, yM]) => ({ xM: xM!, yM: yM!, leftM: 5, rightM: 5 }));
  const heightsOf = (heights: { atM: number; zM: number }[]) => withHeights(square, heights).map(({ zM }) => zM);

  it('rise evenly between the places, also over the start line', () => {
    expect(
      heightsOf([
        { atM: 0, zM: 10 },
        { atM: 200, zM: 14 },
      ]),
    ).toEqual([10, 11, 12, 14, 12]);
    expect(heightsOf([{ atM: 100, zM: 4 }])).toEqual([4, 4, 4, 4, 4]);
    expect(
      heightsOf([
        { atM: 50, zM: 0 },
        { atM: 350, zM: 6 },
      ]),
    ).toEqual([3, 0, 1, 3, 5]);
  });

  it('are none where none is typed', () => {
    expect(heightsOf([])).toEqual([undefined, undefined, undefined, undefined, undefined]);
  });
});
