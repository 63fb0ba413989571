import { stateOf } from '@core/journal';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '@core/testing/small-day';
import { writtenJournal } from '@core/testing/written-journal';
import { lapShapeOf } from '@core/live/traffic';
import { CircuitTraffic, type ErrorRates } from './circuit-traffic';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] })],
});
const plan = aPlan({ drives: [drive('10:00'), drive('10:05', { drive: 'd2', car: 'c2', instructor: 'i2' })] });
const LAP_M = day.circuit.lapLengthM;
const EXACT: ErrorRates = { missed: 0, double: 0 };

/** Ines Faro is let out at ten, and Piet Verhoeve sits in his car. */
function morning() {
  const it = writtenJournal(day, plan);
  for (const guest of ['g1', 'g2']) {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      it.enter('09:00', { kind, guest });
    }
  }
  it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('09:57', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' });
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  return it;
}

/** Lets the traffic run in steps and enters nothing: what is seen from one time to another. */
function run(it: ReturnType<typeof morning>, traffic: CircuitTraffic, from: string, to: string, stepS = 5) {
  const seen = [];
  for (let s = at(from); s < at(to); s += stepS) {
    seen.push(...traffic.drive(it.context, stateOf(it.context, it.entries, s), s, s + stepS));
  }
  return seen;
}
const traffic = (rates = EXACT, leftM?: (share: number) => number, seed = 1) =>
  new CircuitTraffic(lapShapeOf(undefined), LAP_M, rates, seed, leftM);

describe('The timing loop without hardware', () => {
  it('sees the car that is out once a lap, at about the pace that is expected, and nobody else', () => {
    const seen = run(morning(), traffic(), '10:00', '10:30');
    expect(seen.length).toBe(5);
    expect(new Set(seen.map(({ body }) => (body.kind === 'crossing' ? body.transponder : body.kind)))).toEqual(
      new Set(['c1']),
    );
    const laps = seen.slice(1).map(({ atS }, i) => atS - seen[i]!.atS);
    for (const lapS of laps) {
      expect(lapS).toBeGreaterThan(60);
      expect(lapS).toBeLessThan(100);
    }
  });

  it('sees the same whatever the steps in which time runs, and the same with the same seed', () => {
    const times = (stepS: number) => run(morning(), traffic(), '10:00', '10:10', stepS).map(({ atS }) => atS);
    const fine = times(1);
    for (const stepS of [5, 30, 120]) {
      expect(times(stepS).length).toBe(fine.length);
      times(stepS).forEach((atS, i) => expect(atS).toBeCloseTo(fine[i]!, 6));
    }
    expect(times(1)).toEqual(fine);
  });

  it('misses all or sees all twice, where it is told to err', () => {
    expect(run(morning(), traffic({ missed: 1, double: 0 }), '10:00', '10:30')).toEqual([]);
    const doubled = run(morning(), traffic({ missed: 0, double: 1 }), '10:00', '10:30');
    expect(doubled.length).toBe(10);
    const gaps = doubled.slice(1).map(({ atS }, i) => atS - doubled[i]!.atS);
    expect(gaps.filter((gap) => gap < 2).length).toBe(5);
  });

  it('goes on from what the journal says after the clock was set', () => {
    const it = morning();
    for (const time of ['10:01:20', '10:02:40']) it.enter(time, { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    const jumped = traffic();
    run(it, jumped, '10:00', '10:01');
    jumped.forget();
    expect(run(it, jumped, '10:03', '10:30').length).toBe(3);
  });

  it('lets go whoever has come in, and takes on whoever is let out', () => {
    const it = morning();
    const loop = traffic();
    run(it, loop, '10:00', '10:03');
    it.enter('10:03', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:04', { kind: 'released', drive: 'd2' });
    const seen = run(it, loop, '10:04', '10:30');
    expect(seen.length).toBe(5);
    expect(seen.every(({ body }) => body.kind === 'crossing' && body.transponder === 'c2')).toBeTrue();
  });

  it('sees the sighting vehicle as well', () => {
    const it = morning();
    it.enter('10:01', { kind: 'broughtIn', drive: 'd1' });
    const bare = aDay({ ...day, guests: [aGuest({ sighted: false })] });
    const run_ = writtenJournal(bare, aPlan());
    run_.enter('09:00', { kind: 'guestArrived', guest: 'g1' });
    for (const kind of ['waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      run_.enter('09:00', { kind, guest: 'g1' });
    }
    const began = run_.enter('10:00', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i1', guests: ['g1'] });
    expect(began).toMatch(/^entry-/);
    const seen = run(run_, traffic(), '10:00', '10:30');
    expect(seen.length).toBe(bare.rules.sighting.laps);
    expect(seen[0]!.body).toEqual({ kind: 'crossing', transponder: 's1' });
  });
});

describe('Trackers without hardware', () => {
  it('tell where each car is, onwards along the lap, with an error of a few metres', () => {
    const it = morning();
    const cars = traffic();
    let before: number | undefined;
    let drivenM = 0;
    for (let s = at('10:00'); s < at('10:05'); s += 5) {
      cars.drive(it.context, it.state('10:00'), s, s + 5);
      const [position, ...others] = cars.positions();
      expect(others).toEqual([]);
      expect(position!.transponder).toBe('c1');
      expect(position!.atM).toBeGreaterThanOrEqual(0);
      expect(position!.atM).toBeLessThanOrEqual(LAP_M);
      if (before !== undefined) {
        const onM = (position!.atM - before + LAP_M) % LAP_M;
        const stepM = onM > LAP_M - 20 ? onM - LAP_M : onM;
        expect(stepM).toBeGreaterThan(-20);
        expect(stepM).toBeLessThan(400);
        drivenM += stepM;
      }
      before = position!.atM;
    }
    expect(drivenM / LAP_M).toBeGreaterThan(2.5);
    expect(drivenM / LAP_M).toBeLessThan(5);
  });

  it('tell how far to the left, where it is known what is taught, and never more than that and the error', () => {
    const it = morning();
    const cars = traffic(EXACT, () => 4);
    cars.drive(it.context, it.state('10:00'), at('10:00'), at('10:00:05'));
    const left = Array.from({ length: 200 }, () => cars.positions()[0]!.leftM!);
    expect(Math.max(...left)).toBeLessThan(4 + 8);
    expect(Math.min(...left)).toBeGreaterThan(4 * 0.4 - 8);
    const bare = traffic();
    bare.drive(it.context, it.state('10:00'), at('10:00'), at('10:00:05'));
    expect('leftM' in bare.positions()[0]!).toBeFalse();
  });

  it('tell of nobody who is not on the circuit', () => {
    const it = morning();
    const cars = traffic();
    cars.drive(it.context, it.state('09:59'), at('09:58'), at('09:59'));
    expect(cars.positions()).toEqual([]);
  });
});
