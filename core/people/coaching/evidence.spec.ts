import { carFile } from '../../track/car/at-start';
import { carOf, isLap, LapModel, studyCircuit, type Lap } from '../../track/car';
import { ORDINARY_TEACHING } from '../../track/car/study';
import { circuitFile } from '../../track/circuit/at-start';
import { centreLineOf } from '../../track/circuit';
import { seededRandom } from '../../planner';
import { square } from '../../testing/circuits';
import { inEnglish } from '../../testing/in-english';
import { aDay } from '../../testing/small-day';
import { SMALL_MODEL } from '../../testing/small-model';
import { evidenceByCorner, type Position } from './evidence';
import { taughtPlaces } from './taught-places';

const model = carFile.parse(SMALL_MODEL);
/** A square circuit, what is taught on it, and the lap of a good guest. */
function squareCircuit(sideM: number) {
  const line = square(sideM, 40, 6);
  const circuit = circuitFile.parse({ name: 'Loop', line });
  const study = studyCircuit(circuit, [{ id: 'c', name: 'c', number: 1, level: 3, model }], [1], 1, {
    ...ORDINARY_TEACHING,
    braking: 'trailed',
  });
  const lap = new LapModel(carOf(model).car, study.teaching).lap(1) as Lap;
  return { lengthM: centreLineOf(line).lengthM, lap, taught: taughtPlaces(study, 'c', 1) };
}

const { lengthM, lap, taught } = squareCircuit(600);

interface Tracked {
  readonly on?: { readonly lap: Lap; readonly lengthM: number };
  readonly noiseM?: number;
  /** How far to the left of the taught line it drives; without it the tracker does not tell where it is across the road. */
  readonly offM?: number;
}

/** A tracker at 5 Hz in a car that drives the model's lap over and over, good to a metre. */
function tracked(laps: number, { on = { lap, lengthM }, noiseM = 1, offM }: Tracked = {}): Position[] {
  const random = seededRandom(5);
  const { lap: driven, lengthM: roundM } = on;
  const points: Position[] = [];
  for (let t = 0; t < (laps + 0.5) * driven.lapTimeS; t += 0.2) {
    const inLap = t % driven.lapTimeS;
    let i = driven.timeS.findIndex((at) => at > inLap);
    if (i < 0) i = driven.timeS.length;
    const part = (inLap - driven.timeS[i - 1]!) / ((driven.timeS[i] ?? driven.lapTimeS) - driven.timeS[i - 1]!);
    const from = driven.line.centreM[i - 1]!;
    const to = i < driven.line.centreM.length ? driven.line.centreM[i]! : roundM;
    const atM = (from + part * (to - from) + noiseM * (random() - 0.5) + roundM) % roundM;
    const across = offM === undefined ? {} : { leftM: driven.line.offsetM[i - 1]! + offM + random() - 0.5 };
    points.push({ atS: 36_000 + t, atM, ...across });
  }
  return points;
}

describe('Evidence by corner', () => {
  it('finds what the car did: where it braked, and how slow it was', () => {
    expect(isLap(lap)).toBe(true);
    const found = evidenceByCorner(tracked(5), lengthM, taught);
    expect(found.map(({ laps }) => laps)).toEqual([4, 4, 4, 4]);
    found.forEach(({ slowestKmh, brakesBeforeM, corner }, i) => {
      expect(Math.abs(slowestKmh.value - taught[i]!.slowestKmh))
        .withContext(corner)
        // The slope over a second blunts the slowest place, always to the guest's favour.
        .toBeLessThan(12);
      expect(Math.abs(brakesBeforeM!.value)).withContext(corner).toBeLessThan(14);
    });
    expect(found.flatMap(({ proposes }) => proposes.map(({ fault }) => fault))).not.toContain('brakes-late');
  });

  it('proposes that a guest brakes early, with how far and how sure', () => {
    const early = taught.map((place) => ({ ...place, brakeM: place.brakeM! + 40 }));
    const [first] = evidenceByCorner(tracked(6), lengthM, early);
    expect(first!.brakesBeforeM!.value).toBeGreaterThan(25);
    expect(first!.proposes[0]!.fault).toBe('brakes-early');
    expect(inEnglish(aDay()).markReason(first!.proposes[0]!.why)).toMatch(
      /^brakes \d+ m, give or take \d, before the cone$/,
    );
  });

  it('proposes that a corner is driven too slowly', () => {
    const quick = taught.map((place) => ({ ...place, slowestKmh: place.slowestKmh * 1.3 }));
    const found = evidenceByCorner(tracked(5), lengthM, quick);
    expect(found[0]!.proposes.map(({ fault }) => fault)).toContain('brakes-too-long');
  });

  it('tells nothing of apex and exit where trackers do not know where a car is across the road', () => {
    for (const { wideOfApexM, unusedAtExitM } of evidenceByCorner(tracked(4), lengthM, taught)) {
      expect([wideOfApexM, unusedAtExitM]).toEqual([undefined, undefined]);
    }
  });

  it('finds an apex and an exit that were missed, and by how far', () => {
    // All corners of the loop turn left: right of the line is wide of the apex and beyond the exit.
    expect(taught.map(({ turns }) => turns)).toEqual(['left', 'left', 'left', 'left']);
    for (const offM of [-4, 0, 4]) {
      for (const { corner, wideOfApexM, unusedAtExitM, proposes } of evidenceByCorner(
        tracked(5, { offM }),
        lengthM,
        taught,
      )) {
        expect(wideOfApexM!.value).withContext(corner).toBeCloseTo(-offM, -0.5);
        if (unusedAtExitM) expect(unusedAtExitM.value).withContext(corner).toBeCloseTo(offM, -0.5);
        const found = proposes.map(({ fault }) => fault);
        expect(found.includes('misses-apex-wide'))
          .withContext(`${corner} ${offM}`)
          .toBe(offM < 0);
        expect(found.includes('holds-in')).toBe(offM > 0 && unusedAtExitM !== undefined);
        expect(found.includes('runs-wide')).toBe(offM < 0 && unusedAtExitM !== undefined);
      }
    }
  });

  it('is not surer of a place across the road than a receiver can be, however many the laps', () => {
    const [first] = evidenceByCorner(tracked(9, { offM: -2 }), lengthM, taught);
    expect(first!.wideOfApexM!.within).toBeGreaterThanOrEqual(1);
    expect(first!.proposes.map(({ fault }) => fault)).not.toContain('misses-apex-wide');
  });

  it('takes neither the braking for the next corner nor that for the one before for its own', () => {
    // Short straights: the window of one corner reaches into the next.
    const on = squareCircuit(240);
    for (const { corner, laps, brakesBeforeM, throttleBeforeApexM, slowestKmh } of evidenceByCorner(
      tracked(6, { on }),
      on.lengthM,
      on.taught,
    )) {
      expect([on.taught.length, laps]).toEqual([4, 5]);
      expect(Math.abs(brakesBeforeM!.value)).withContext(corner).toBeLessThan(15);
      expect(Math.abs(throttleBeforeApexM.value)).withContext(corner).toBeLessThan(20);
      expect(Math.abs(slowestKmh.value - on.taught[0]!.slowestKmh)).toBeLessThan(12);
    }
  });

  it('does not look at laps in which the tracker was silent', () => {
    const all = tracked(5);
    const silentFrom = 36_000 + 1.4 * lap.lapTimeS;
    const gappy = all.filter(({ atS }) => atS < silentFrom || atS > silentFrom + 4);
    expect(evidenceByCorner(gappy, lengthM, taught)[0]!.laps).toBe(evidenceByCorner(all, lengthM, taught)[0]!.laps - 1);
    const sparse = all.filter((_, i) => i % 8 === 0);
    expect(evidenceByCorner(sparse, lengthM, taught)).toEqual([]);
  });

  it('says nothing where there are no whole laps, or none that counts', () => {
    expect(evidenceByCorner(tracked(0), lengthM, taught)).toEqual([]);
    expect(evidenceByCorner([], lengthM, taught)).toEqual([]);
    expect(evidenceByCorner(tracked(3), lengthM, taught, () => false)).toEqual([]);
  });
});
