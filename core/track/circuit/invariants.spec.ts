import * as fc from 'fast-check';
import { carFile } from '../car/at-start';
import { studyCircuit } from '../car';
import { square, swinging, mirrored } from '../../testing/circuits';
import { SMALL_MODEL } from '../../testing/small-model';
import { besideCentre, centreLineOf, lineBeside, pointBeside } from './centre-line';
import { circuitFaults } from './faults';
import { circuitFile, type LinePoint } from './circuit-file';
import { circuitMap, measure } from './circuit-map';
import { conesOf, loadOf } from './cones';
import { cornersOf } from './corners';
import { LEGENDS } from './legend';
import { mapOf } from './map-of';
import { minimumCurvature, corridorOf } from './minimum-curvature';
import { taughtCorners, teachingOffsets } from './teaching-line';

/** Circuits without crossings, of 500 m to 2 km, that bend both ways. */
const lines = fc
  .record({
    radiusM: fc.integer({ min: 90, max: 300 }),
    waves: fc.array(
      fc.tuple(fc.double({ min: 0, max: 0.1, noNaN: true }), fc.double({ min: 0, max: 6.2, noNaN: true })),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ radiusM, waves }) => swinging(radiusM, waves));
const RUNS = { numRuns: 25 };

const turned = (line: readonly LinePoint[], angle: number, byM: number): LinePoint[] =>
  line.map((point) => ({
    ...point,
    xM: point.xM * Math.cos(angle) - point.yM * Math.sin(angle) + byM,
    yM: point.xM * Math.sin(angle) + point.yM * Math.cos(angle) - byM,
  }));

function taughtOn(line: LinePoint[]) {
  const centre = centreLineOf(line);
  const racing = lineBeside(centre, minimumCurvature(centre, corridorOf(centre, 1.95)));
  return { centre, taught: taughtCorners(centre, racing, []) };
}

describe('On any circuit', () => {
  it('nothing depends on where north is', () => {
    fc.assert(
      fc.property(lines, fc.double({ min: 0, max: 6.2, noNaN: true }), (line, angle) => {
        const [one, other] = [centreLineOf(line), centreLineOf(turned(line, angle, 700))];
        expect(other.lengthM).toBeCloseTo(one.lengthM, 4);
        // The corner at the start line may be the first or the last.
        const radii = (centre: typeof one) =>
          cornersOf(centre)
            .map(({ direction, radiusM }) => (direction === 'left' ? radiusM : -radiusM))
            .sort((a, b) => a - b);
        const [before, after] = [radii(one), radii(other)];
        expect(after.length).toBe(before.length);
        after.forEach((radiusM, i) => expect(radiusM).toBeCloseTo(before[i]!, 3));
      }),
      RUNS,
    );
  });

  it('left is right in a mirror, and all else the same', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const one = cornersOf(centreLineOf(line));
        const other = cornersOf(centreLineOf(mirrored(line)));
        expect(other.map(({ direction }) => direction)).toEqual(
          one.map(({ direction }) => (direction === 'left' ? 'right' : 'left')),
        );
        other.forEach(({ radiusM, angleDeg, shape }, i) => {
          expect(radiusM).toBeCloseTo(one[i]!.radiusM, 3);
          expect(angleDeg).toBeCloseTo(one[i]!.angleDeg, 3);
          expect(shape).toBe(one[i]!.shape);
        });
      }),
      RUNS,
    );
  });

  it('corners follow each other without sharing road, and none turns more than the curvature in it', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const centre = centreLineOf(line);
        const corners = cornersOf(centre);
        const wholeTurnDeg = (centre.curvature.reduce((sum, k) => sum + Math.abs(k), 0) * centre.stepM * 180) / Math.PI;
        expect(corners.reduce((sum, { angleDeg }) => sum + angleDeg, 0)).toBeLessThan(wholeTurnDeg + 1e-6);
        expect(corners.map(({ number }) => number)).toEqual(corners.map((_, i) => i + 1));
        const byEntry = [...corners].sort((a, b) => a.entryM - b.entryM);
        byEntry.forEach(({ entryM, apexM, exitM }, i) => {
          expect(entryM).toBeLessThanOrEqual(apexM);
          expect(apexM).toBeLessThan(exitM);
          const next = byEntry[i + 1];
          if (next) expect(exitM).toBeLessThanOrEqual(next.entryM + 1e-9);
        });
      }),
      RUNS,
    );
  });

  it('a place beside the line is found again from its coordinates', () => {
    const place = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: -4, max: 4, noNaN: true }));
    fc.assert(
      fc.property(lines, place, (line, [share, offsetM]) => {
        const centre = centreLineOf(line);
        const point = pointBeside(centre, share * centre.lengthM, offsetM);
        const found = besideCentre(centre, point.xM, point.yM);
        const apartM = Math.abs(found.atM - share * centre.lengthM);
        expect(Math.min(apartM, centre.lengthM - apartM)).toBeLessThan(1.5);
        expect(found.offsetM).toBeCloseTo(offsetM, 0);
      }),
      { numRuns: 60 },
    );
  });

  it('the taught line keeps to the road with the margin that is asked for', () => {
    fc.assert(
      fc.property(lines, fc.constantFrom(0.5, 1.5), (line, marginM) => {
        const { centre, taught } = taughtOn(line);
        const widthM = 1.95;
        teachingOffsets(centre, taught, widthM, marginM).forEach((offsetM, i) => {
          expect(offsetM).toBeLessThanOrEqual(centre.leftM[i]! - widthM / 2 + 1e-6);
          expect(offsetM).toBeGreaterThanOrEqual(-centre.rightM[i]! + widthM / 2 - 1e-6);
        });
      }),
      RUNS,
    );
  });

  it('a corner is turned into before its apex and left behind it, inside the road of its neighbours', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const { centre, taught } = taughtOn(line);
        const ahead = (fromM: number, toM: number) => (toM - fromM + 2 * centre.lengthM) % centre.lengthM;
        taught.forEach(({ turnInM, apexesM, exitM }, i) => {
          expect(turnInM).toBeLessThan(apexesM[0]!);
          expect(apexesM.at(-1)!).toBeLessThan(exitM);
          const next = taught[(i + 1) % taught.length]!;
          const apexM = apexesM.at(-1)!;
          if (taught.length > 1) expect(ahead(apexM, exitM)).toBeLessThanOrEqual(ahead(apexM, next.apexesM[0]!));
        });
      }),
      RUNS,
    );
  });

  it('cones stand just off the road, on the side they say, in the order of the lap, each with an id of its own', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const { centre, taught } = taughtOn(line);
        const circuit = circuitFile.parse({ name: 'Any', line });
        const { cones, omitted } = conesOf(circuit, centre, taught, []);
        expect(new Set(cones.map(({ id }) => id)).size).toBe(cones.length);
        cones.forEach(({ atM, beyondEdgeM, side, kind, corner }, i) => {
          expect(beyondEdgeM).toBeGreaterThan(0);
          expect(beyondEdgeM).toBeLessThan(0.6);
          expect(atM).toBeGreaterThanOrEqual(cones[i - 1]?.atM ?? 0);
          const { direction } = taught.find((one) => `Corner ${one.corner.number}` === corner)!.corner;
          expect(side === direction).toBe(kind === 'apex');
        });
        // Each corner has its exit cone, or a reason why not.
        const exits = [...cones, ...omitted].filter(({ kind }) => kind === 'exit').map(({ corner }) => corner);
        expect(exits.sort()).toEqual(taught.map(({ corner }) => `Corner ${corner.number}`).sort());
      }),
      RUNS,
    );
  });

  it('cones come in the order in which a corner is driven, and after the exit of the one before, wherever one brakes', () => {
    const reach = fc.array(fc.option(fc.double({ min: 0, max: 260, noNaN: true }), { nil: undefined }), {
      minLength: 30,
      maxLength: 30,
    });
    fc.assert(
      fc.property(lines, reach, (line, brakingM) => {
        const { centre, taught } = taughtOn(line);
        const brakesM = taught.map(({ turnInM }, i) => {
          const byM = brakingM[i % brakingM.length];
          return byM === undefined ? undefined : turnInM - byM;
        });
        const { cones, omitted, outOfOrder } = conesOf(
          circuitFile.parse({ name: 'Any', line }),
          centre,
          taught,
          brakesM,
        );
        const driven = taught.flatMap(({ corner: { number } }) =>
          (['brake', 'turnIn', 'apex', 'exit'] as const).flatMap((kind) =>
            cones.filter((cone) => cone.corner === `Corner ${number}` && cone.kind === kind),
          ),
        );
        expect(outOfOrder).toEqual([]);
        expect(driven.length).toBe(cones.length);
        // Once round, and not a step further: nothing stands before what comes before it.
        const wayM = driven.reduce((sum, { atM }, i) => {
          const nextM = driven[(i + 1) % driven.length]!.atM;
          return sum + ((nextM - atM + centre.lengthM) % centre.lengthM);
        }, 0);
        if (driven.length > 1) expect(wayM / centre.lengthM).toBeCloseTo(1, 6);
        for (const { kind, reason } of omitted) {
          expect(kind).toBe('exit');
          expect(['shortStraight', 'brakesThere', 'brakesBefore']).toContain(reason.code);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('what must be loaded is what is set out, under every legend', () => {
    fc.assert(
      fc.property(lines, fc.constantFrom(...LEGENDS), (line, legend) => {
        const { centre, taught } = taughtOn(line);
        const plan = conesOf(circuitFile.parse({ name: 'Any', line, legend }), centre, taught, []);
        const carried = plan.cones.filter(({ marker: { by } }) => by === 'cone' || by === 'board');
        const loaded = loadOf(plan).reduce((sum, { count }) => sum + count, 0);
        expect(loaded).toBe(carried.reduce((sum, { marker }) => sum + marker.count, 0));
      }),
      RUNS,
    );
  });

  it('its map is a map, as long as it is, with each corner where it was named', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const centre = centreLineOf(line);
        const corners = cornersOf(centre).map(({ number, apexM }) => ({
          name: `Bend ${number}`,
          atM: apexM % centre.lengthM,
        }));
        const map = mapOf(circuitFile.parse({ name: 'Any', line, corners }));
        expect(circuitMap.safeEncode(map).success).toBe(true);
        expect(Math.abs(measure(map.line).lengthM / centre.lengthM - 1)).toBeLessThan(0.01);
        expect(map.corners.map(({ name, atM }) => [name, atM])).toEqual(corners.map(({ name, atM }) => [name, atM]));
      }),
      RUNS,
    );
  });

  it('nothing is wrong with it, until a point of it is', () => {
    fc.assert(
      fc.property(lines, fc.nat(), fc.constantFrom('twice', 'far', 'narrow'), (line, where, what) => {
        expect(circuitFaults({ line })).toEqual([]);
        const i = where % line.length;
        const broken = line.map((point, at) => {
          if (at !== i) return point;
          if (what === 'narrow') return { ...point, leftM: 0 };
          if (what === 'far') return { ...point, xM: point.xM + 5000 };
          return { ...line[(i + 1) % line.length]! };
        });
        const faults = circuitFaults({ line: broken });
        const places = [i, (i - 1 + line.length) % line.length].map((at) => `line[${at}]`);
        expect(faults.some(({ path }) => places.includes(path))).toBe(true);
      }),
      RUNS,
    );
  });
});

describe('Cones that somebody has moved', () => {
  it('stay to the centimetre when line, widths or fleet change, and lose nothing of their note', () => {
    const line = square(420, 40, 6);
    const model = carFile.parse(SMALL_MODEL);
    const fleet = [{ id: 'c', name: 'c', number: 1, level: 3, model }];
    const { cones } = studyCircuit(circuitFile.parse({ name: 'Loop', line }), fleet, [1]).cones;
    fc.assert(
      fc.property(
        fc.constantFrom(...cones),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 4, max: 7, noNaN: true }),
        (cone, byM, halfWidthM) => {
          const moved = { id: cone.id, xM: cone.xM + byM, yM: cone.yM - byM, note: 'seen from the seat' };
          const wider = square(420, 40, halfWidthM);
          const again = studyCircuit(
            circuitFile.parse({ name: 'Loop', line: wider, movedCones: [moved] }),
            fleet,
            [1.2],
          );
          const found = again.cones.cones.find(({ id }) => id === cone.id)!;
          expect([found.xM, found.yM, found.note, found.origin]).toEqual([moved.xM, moved.yM, moved.note, 'moved']);
        },
      ),
      { numRuns: 6 },
    );
  });
});
