import * as fc from 'fast-check';
import { circle, oval, square, swinging } from '../../testing/circuits';
import { averageLaps } from './average-laps';
import { besideCentre, centreLineOf, lineBeside, pointBeside } from './centre-line';
import { blindCrests, cornersOf } from './corners';
import { circuitFaults } from './faults';
import { conesOf, loadOf, markersOf } from './cones';
import { LEGENDS } from './legend';
import { minimumCurvature, corridorOf } from './minimum-curvature';
import { taughtCorners } from './teaching-line';
import type { Circuit, LinePoint } from './circuit-file';
import { coneWords } from '@words';

const aCircuit = (line: LinePoint[], changed: Partial<Circuit> = {}): Circuit => ({
  name: 'Slipway',
  line,
  corners: [],
  cones: [],
  movedCones: [],
  removedCones: [],
  landmarks: [],
  marshalPosts: [],
  ...changed,
});

function taughtOn(line: LinePoint[], corners: Circuit['corners'] = []) {
  const centre = centreLineOf(line);
  const racing = lineBeside(centre, minimumCurvature(centre, corridorOf(centre, 1.95)));
  return { centre, taught: taughtCorners(centre, racing, corners) };
}

describe('A centre line', () => {
  it('has the length and the curvature of the shape it runs through', () => {
    const line = centreLineOf(circle(80));
    expect(line.lengthM).toBeCloseTo(2 * Math.PI * 80, 2);
    line.curvature.forEach((curvature) => expect(curvature).toBeCloseTo(1 / 80, 5));
  });

  it('is cut at even distances', () => {
    const line = centreLineOf(oval(300, 40));
    const n = line.xM.length;
    for (let i = 0; i < n; i++) {
      const chordM = Math.hypot(line.xM[(i + 1) % n]! - line.xM[i]!, line.yM[(i + 1) % n]! - line.yM[i]!);
      expect(Math.abs(chordM - line.stepM)).toBeLessThan(0.01 * line.stepM);
    }
  });

  it('turns once round, whatever its shape', () => {
    const waves = fc.array(
      fc.tuple(fc.double({ min: 0, max: 0.07, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true })),
      {
        minLength: 1,
        maxLength: 4,
      },
    );
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 500 }), waves, (radius, swings) => {
        const line = centreLineOf(swinging(radius, swings));
        const turned = line.curvature.reduce((sum, curvature) => sum + curvature * line.stepM, 0);
        expect(turned).toBeCloseTo(2 * Math.PI, 1);
      }),
      { numRuns: 30 },
    );
  });

  it('finds a place beside it again', () => {
    const line = centreLineOf(square(300, 40));
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
        fc.double({ min: -6, max: 6, noNaN: true }),
        (share, offsetM) => {
          const at = share * line.lengthM;
          const point = pointBeside(line, at, offsetM);
          const found = besideCentre(line, point.xM, point.yM);
          const apart = Math.abs(found.atM - at) % line.lengthM;
          expect(Math.min(apart, line.lengthM - apart)).toBeLessThan(0.5);
          expect(Math.abs(found.offsetM - offsetM)).toBeLessThan(0.1);
        },
      ),
    );
  });
});

describe('Corners', () => {
  it('of a rounded square are four, each a quarter turn', () => {
    const corners = cornersOf(centreLineOf(square(400, 40)));
    expect(corners.map(({ number, direction }) => [number, direction])).toEqual(
      [1, 2, 3, 4].map((number) => [number, 'left'] as (string | number)[] as [number, 'left']),
    );
    for (const { radiusM, angleDeg } of corners) {
      expect(radiusM).toBeGreaterThan(30);
      expect(radiusM).toBeLessThan(42);
      expect(Math.abs(angleDeg - 90)).toBeLessThan(6);
    }
  });

  it('are right-handers when driven the other way', () => {
    const directions = cornersOf(centreLineOf([...square(400, 40)].reverse())).map(({ direction }) => direction);
    expect(new Set(directions)).toEqual(new Set(['right']));
  });

  it('of a circle are one, without end', () => {
    const corners = cornersOf(centreLineOf(circle(100)));
    expect(corners.length).toBe(1);
    expect(corners[0]!.angleDeg).toBeCloseTo(360, 0);
  });

  it('carry the name that stands nearest to them', () => {
    const { taught } = taughtOn(square(400, 40), [
      { name: 'Boathouse', atM: 185, book: {} },
      { name: 'Winch', atM: 560, book: {} },
    ]);
    expect(taught.map(({ named }) => named?.name)).toEqual(['Boathouse', 'Winch', undefined, undefined]);
  });
});

describe('A crest', () => {
  const over = (heightM: number) =>
    centreLineOf(oval(900, 60).map((point, i) => ({ ...point, zM: heightM * Math.exp(-(((i - 20) / 6) ** 2)) })));

  it('is blind where the road behind it is seen later than it takes to stop', () => {
    expect(blindCrests(over(6), () => 90).length).toBe(1);
    expect(blindCrests(over(6), () => 90)[0]!.atM).toBeLessThan(100);
  });

  it('is not, where it is low, where braking is short, or where nobody knows of heights', () => {
    expect(blindCrests(over(0.3), () => 90)).toEqual([]);
    expect(blindCrests(over(6), () => 10)).toEqual([]);
    expect(blindCrests(centreLineOf(oval(900, 60)), () => 400)).toEqual([]);
  });
});

describe('A circuit is refused', () => {
  const messages = (line: LinePoint[], carWidthM?: number) =>
    circuitFaults({ line }, carWidthM).map(({ path, message }) => `${path}: ${message}`);

  it('with the place, for what makes it unusable', () => {
    expect(messages(circle(100))).toEqual([]);
    expect(messages(circle(100, 12))[0]).toBe('line: expected at least 20 points, got 12');
    expect(messages(circle(0.1))[0]).toMatch(/a lap of 0.63 m is under 200 m; are these kilometres or degrees\?/);
    expect(messages(circle(9000, 400))[0]).toMatch(/over 30 km/);
    const jump = circle(800).filter((_, i) => i < 20 || i > 26);
    expect(messages(jump)).toEqual(['line[19]: a jump of 333 m to the next point, 796 m from the start line']);
    const open = circle(800).slice(0, 110);
    expect(messages(open)[0]).toMatch(/^line\[109\]: the line is not closed: a jump of/);
    const narrow = circle(100).map((point, i) => (i === 7 ? { ...point, leftM: -1 } : point));
    expect(messages(narrow)).toEqual([
      'line[7]: the width to the left must be over 0, got -1, 37 m from the start line',
    ]);
    expect(messages(circle(100, 120, 1.2), 1.95)[0]).toMatch(/2.40 m wide, this car needs 2.55 m/);
    const eight = Array.from({ length: 80 }, (_, i) => {
      const angle = (2 * Math.PI * i) / 80 + 0.02;
      return { xM: 200 * Math.sin(angle), yM: 100 * Math.sin(2 * angle), leftM: 4, rightM: 4 };
    });
    expect(messages(eight)[0]).toMatch(/the line crosses itself/);
  });
});

describe('Cones', () => {
  it('show the way through a corner: brake and turn in outside, apex inside, exit outside', () => {
    const { centre, taught } = taughtOn(square(400, 40));
    const { cones } = conesOf(aCircuit(square(400, 40)), centre, taught, [100, undefined, undefined, undefined]);
    const first = cones.filter(({ corner }) => corner === 'Corner 1');
    expect(first.map(({ kind, side }) => [kind, side])).toEqual([
      ['brake', 'right'],
      ['turnIn', 'right'],
      ['apex', 'left'],
      ['exit', 'right'],
    ]);
    first.forEach(({ beyondEdgeM }) => expect(beyondEdgeM).toBeCloseTo(0.3, 1));
  });

  it('have no exit where the next turn-in wants the other side, and say so', () => {
    // A left-hander, a short straight, and a right-hander.
    const line = swinging(120, [
      [0, 0],
      [0, 0],
      [0.22, 0],
    ]);
    const { centre, taught } = taughtOn(line);
    const { omitted } = conesOf(aCircuit(line), centre, taught, []);
    const short = taught.filter(({ exitFree }) => !exitFree);
    expect(short.length).toBeGreaterThan(0);
    expect(omitted.length).toBe(short.length);
    for (const { kind, reason } of omitted) expect([kind, reason.code]).toEqual(['exit', 'shortStraight']);
  });

  it('that were moved keep their place and their note, whatever is computed', () => {
    const line = square(400, 40);
    const { centre, taught } = taughtOn(line);
    const computed = conesOf(aCircuit(line), centre, taught, []).cones[0]!;
    const moved = { id: computed.id, xM: computed.xM + 3, yM: computed.yM + 1, note: 'hidden by the fence' };
    const again = conesOf(aCircuit(line, { movedCones: [moved] }), centre, taught, []).cones.find(
      ({ id }) => id === moved.id,
    )!;
    expect([again.xM, again.yM, again.note, again.origin]).toEqual([
      moved.xM,
      moved.yM,
      'hidden by the fence',
      'moved',
    ]);
  });

  it('that were taken away stay away with the reason, and what was placed by hand stays, whatever is computed', () => {
    const line = square(400, 40);
    const { centre, taught } = taughtOn(line);
    const plan = (more: Partial<Circuit>) => conesOf(aCircuit(line, more), centre, taught, []);
    const [first] = plan({}).cones;
    const board = { id: 'board-1', kind: 'keepOff' as const, xM: 40, yM: -6, note: 'high kerb' };
    const { cones, omitted } = plan({ removedCones: [{ id: first!.id, note: 'a post stands there' }], cones: [board] });
    expect(cones.map(({ id }) => id)).not.toContain(first!.id);
    expect(omitted.map(({ id, reason }) => [id, reason.code])).toEqual([[first!.id, 'takenAway']]);
    expect(cones.find(({ id }) => id === 'board-1')).toEqual(
      jasmine.objectContaining({ origin: 'hand', note: 'high kerb' }),
    );
  });

  it('that were moved past their neighbour are told', () => {
    const line = square(400, 40);
    const { centre, taught } = taughtOn(line);
    const [turnIn, apex] = conesOf(aCircuit(line), centre, taught, []).cones;
    const behind = pointBeside(centre, apex!.atM + 5, -5);
    const { outOfOrder } = conesOf(
      aCircuit(line, { movedCones: [{ id: turnIn!.id, ...behind, note: 'later' }] }),
      centre,
      taught,
      [],
    );
    expect(outOfOrder).toEqual([turnIn!.id]);
  });

  it('leave the exit away where one already brakes for the next corner, and say which', () => {
    const line = square(400, 40);
    const { centre, taught } = taughtOn(line);
    const reasonAt = (beforeExitM: number) =>
      conesOf(aCircuit(line), centre, taught, [undefined, taught[0]!.exitM - beforeExitM, undefined, undefined])
        .omitted.map(({ corner, reason }) => `${corner} ${reason.code}`)
        .join();
    expect([reasonAt(-40), reasonAt(4), reasonAt(25)]).toEqual(['', 'Corner 1 brakesThere', 'Corner 1 brakesBefore']);
  });

  it('are counted by colour for loading, pairs twice; landmarks need not be loaded', () => {
    const line = square(400, 40);
    const { centre, taught } = taughtOn(line);
    const count = (legend: Circuit['legend']) =>
      Object.fromEntries(
        loadOf(conesOf(aCircuit(line, { legend }), centre, taught, [50, 400, 750, 1100])).map(({ colour, count }) => [
          colour,
          count,
        ]),
      );
    expect(count(LEGENDS[0])).toEqual({ white: 8, violet: 4, yellow: 4, blue: 4 });
    expect(count(LEGENDS[1])).toEqual({ orange: 4 * (3 + 1 + 2 + 1) });
    expect(count(LEGENDS[2])).toEqual({ 'number board': 4 });
  });

  it('mean what the legend of the venue says', () => {
    expect(markersOf(LEGENDS[0]!).map(({ kind, marker }) => coneWords(kind, marker))).toContain(
      'a pair of white cones: brake',
    );
    expect(markersOf(LEGENDS[2]!).map(({ kind }) => kind)).not.toContain('exit');
  });
});

describe('Laps of a receiver', () => {
  const track = (laps: number, noiseM: number, waves = 0.4) => {
    const line = oval(400, 60);
    const points = Array.from({ length: laps }, (_, lap) =>
      line.map(({ xM, yM }, i) => ({
        xM: xM + noiseM * Math.sin(lap * 5 + i * waves),
        yM: yM + noiseM * Math.cos(lap * 3 + i * waves),
        zM: 0,
      })),
    ).flat();
    return [...points, ...line.slice(0, 3).map(({ xM, yM }) => ({ xM, yM, zM: 0 }))];
  };

  it('are cut at the start line and averaged into one', () => {
    const points = track(4, 1.5);
    const averaged = averageLaps(points, points[0]!);
    expect(averaged.ok && averaged.laps).toBe(4);
    const lengthM = centreLineOf(
      averaged.ok ? averaged.points.map((p) => ({ ...p, leftM: 5, rightM: 5 })) : [],
    ).lengthM;
    expect(Math.abs(lengthM / (800 + 2 * Math.PI * 60) - 1)).toBeLessThan(0.01);
  });

  it('keep the radius of their bends', () => {
    const points = track(3, 0);
    const averaged = averageLaps(points, points[0]!);
    const corners = cornersOf(
      centreLineOf(averaged.ok ? averaged.points.map((p) => ({ ...p, leftM: 5, rightM: 5 })) : []),
    );
    expect(corners.length).toBe(2);
    corners.forEach(({ angleDeg }) => expect(Math.abs(angleDeg - 180)).toBeLessThan(6));
  });

  it('that never come back are no lap', () => {
    const points = track(1, 0).slice(0, 60);
    const averaged = averageLaps(points, points[0]!);
    expect(averaged.ok ? '' : averaged.message).toMatch(/not closed/);
  });
});
