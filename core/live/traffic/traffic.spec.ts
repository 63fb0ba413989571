import fc from 'fast-check';
import { circuitMap } from '../../track/circuit/at-start';
import { measure } from '../../track/circuit';
import { fact, wallClock } from '../../values';
import { lapEstimateOf, estimateLap } from '../../journal';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { inEnglish } from '../../testing/in-english';
import { writtenJournal } from '../../testing/written-journal';
import { crossesInS, offAfter, progressOfRunner, reachedS, type Runner } from './runner';
import { delaysOf } from './delays';
import { EVEN_RING, lapShapeOf } from './lap-shape';
import { expectedPasses, normal, passesOf } from './meetings';
import { HORIZON_S, joining, releaseAdvice, swapSaves, type ReleaseLimits, type Waiting } from './release-advice';
import { passesSeen } from './passes-seen';
import { runnersOf } from './on-circuit';

const exact = (lapS: number) => ({ lapS, sdS: 0.01, noiseS: 0.01 });
const runner = (more: Partial<Runner> = {}): Runner => ({
  id: 'a',
  kind: 'drive',
  vehicle: 'c1',
  fromS: 1000,
  progress: 0.5,
  lap: exact(80),
  firstLapFactor: 1,
  off: 5,
  ...more,
});
const waiting = (more: Partial<Waiting> = {}): Waiting => ({
  id: 'w',
  kind: 'drive',
  slackS: 0,
  vehicle: 'c9',
  lap: exact(80),
  crossings: 5,
  ...more,
});
const limits = (more: Partial<ReleaseLimits> = {}): ReleaseLimits => ({
  nowS: 1000,
  releaseGapS: 45,
  lastReleaseS: undefined,
  maxCarsOnTrack: 5,
  firstLapFactor: 1,
  shut: () => undefined,
  queue: 1,
  ...more,
});
const anyRunner = fc
  .record({
    progress: fc.double({ min: 0, max: 3, noNaN: true }),
    lapS: fc.integer({ min: 60, max: 130 }),
    factor: fc.double({ min: 1, max: 1.2, noNaN: true }),
  })
  .map(({ progress, lapS, factor }) => runner({ progress, lap: exact(lapS), firstLapFactor: factor }));

describe('The lap to expect', () => {
  it('is what car and guest promise, until laps of this drive say more', () => {
    expect(estimateLap(100, 1.12, []).lapS).toBe(100);
    const after = estimateLap(
      100,
      1.12,
      [90, 90, 90].map((lapS) => ({ lapS, first: false })),
    );
    expect(after.lapS).toBeGreaterThan(90);
    expect(after.lapS).toBeLessThan(91);
    expect(after.sdS).toBeLessThan(estimateLap(100, 1.12, []).sdS);
  });

  it('takes the lap out of the pits for what it is', () => {
    expect(estimateLap(100, 1.12, [{ lapS: 112, first: true }]).lapS).toBeCloseTo(100, 6);
  });

  it('always lies between the promise and the laps, and more laps never make it less sure', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 150 }),
        fc.array(fc.integer({ min: 60, max: 150 }), { maxLength: 8 }),
        (priorS, laps) => {
          const clean = laps.map((lapS) => ({ lapS, first: false }));
          const { lapS, sdS } = estimateLap(priorS, 1, clean);
          expect(lapS).toBeGreaterThanOrEqual(Math.min(priorS, ...laps) - 1e-9);
          expect(lapS).toBeLessThanOrEqual(Math.max(priorS, ...laps) + 1e-9);
          expect(sdS).toBeLessThanOrEqual(estimateLap(priorS, 1, clean.slice(1)).sdS + 1e-12);
        },
      ),
    );
  });
});

describe('The shape of a lap', () => {
  const square = circuitMap.parse({
    line: Array.from({ length: 40 }, (_, i) => {
      const [side, along] = [Math.floor(i / 10), (i % 10) * 50];
      return [{ xM: along, yM: 0 }, { xM: 500, yM: along }, { xM: 500 - along, yM: 500 }, { xM: 0, yM: 500 - along }][side]!;
    }),
    pitExitM: 100,
    pitEntryM: 1900,
    corners: [{ name: 'First', atM: 500 }],
    speeds: [{ atM: 0, kmh: 100 }, { atM: 1000, kmh: 50 }],
  }); // prettier-ignore

  it('takes longer where the car is slower', () => {
    const shape = lapShapeOf(square);
    // From half the lap on, the way back to the line is as quick as the way there.
    expect(shape.timeAt(0.5)).toBeCloseTo(0.5, 6);
    expect(shape.timeAt(0.25)).toBeLessThan(0.25);
    expect(shape.cornerAt(0.3)).toBe('First');
    expect(shape.pitEntry).toBeGreaterThan(0.9);
  });

  it('tells place by time and time by place, one the inverse of the other', () => {
    const shape = lapShapeOf(square);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.9999, noNaN: true }), (place) => {
        expect(shape.placeAt(shape.timeAt(place))).toBeCloseTo(place, 6);
      }),
    );
  });

  it('is measured along the line, and finds the nearest place to a point', () => {
    const line = measure(square.line);
    expect(line.lengthM).toBe(2000);
    expect(line.at(0.3)).toEqual({ xM: 500, yM: 100 });
    expect(line.nearest({ xM: 560, yM: 100 })).toBeCloseTo(0.3, 6);
  });

  it('lets a car off at the way in that is nearest to its last crossing', () => {
    expect(offAfter(5, EVEN_RING)).toBe(5);
    expect(offAfter(5, { ...EVEN_RING, pitEntry: 0.02 })).toBe(5.02);
    expect(offAfter(5, { ...EVEN_RING, pitEntry: 0.95 })).toBe(4.95);
  });
});

describe('Who meets whom', () => {
  it('is told by the difference of progress: a car that gains a lap passes once', () => {
    const quick = runner({ id: 'quick', progress: 1, lap: exact(60), off: 10 });
    const slow = runner({ id: 'slow', progress: 1.5, lap: exact(80), off: 10 });
    const [pass] = passesOf(slow, quick);
    // Half a lap behind at a third of a lap a lap: level after one and a half laps of 80 s, that is 120 s.
    expect(pass!.passing).toBe('quick');
    expect(pass!.atS - 1000).toBeCloseTo(120, 6);
    expect([pass!.passingLap, pass!.passedLap]).toEqual([4, 4]);
  });

  it('does not depend on the order in which two cars are named', () => {
    fc.assert(
      fc.property(anyRunner, anyRunner, (a, other) => {
        const b = { ...other, id: 'b' };
        expect(passesOf(a, b).length).toBe(passesOf(b, a).length);
        expect(expectedPasses(a, b)).toBeCloseTo(expectedPasses(b, a), 6);
      }),
    );
  });

  it('expects what happens where everything is known, and about as much where little is', () => {
    fc.assert(
      fc.property(anyRunner, anyRunner, (a, other) => {
        const b = { ...other, id: 'b', progress: other.progress + 0.013 };
        const plain = [a, b].every(({ firstLapFactor, progress }) => firstLapFactor === 1 || progress >= 1);
        if (!plain) return;
        expect(Math.abs(expectedPasses(a, b) - passesOf(a, b).length)).toBeLessThan(0.75);
      }),
    );
    expect(normal(0)).toBeCloseTo(0.5, 6);
    expect(normal(1.96)).toBeCloseTo(0.975, 4);
  });

  it('reaches each progress at the time at which it is there', () => {
    fc.assert(
      fc.property(anyRunner, fc.double({ min: 0, max: 3, noNaN: true }), (it, more) => {
        const target = it.progress + more;
        expect(progressOfRunner(it, reachedS(it, target))).toBeCloseTo(target, 6);
      }),
    );
  });
});

const told = inEnglish(aDay()).advice;

describe('Release advice', () => {
  it('lets out at once where the circuit is empty', () => {
    const { go, why } = releaseAdvice(waiting(), [], limits(), EVEN_RING);
    expect([go, told(why)]).toEqual([true, 'Clear now: no pass expected.']);
  });

  it('waits for a quicker car that is about to come past', () => {
    const coming = runner({ progress: 1.95, lap: exact(70) });
    const { go, why, best } = releaseAdvice(waiting(), [coming], limits(), EVEN_RING);
    expect(go).toBe(false);
    expect(told(why)).toMatch(/^Hold \d+ s: let Dunnock Cup come past first\.$/);
    expect(best!.passes).toBeLessThan(0.5);
  });

  it('says how often a car comes past until then, and how far it is gone by the time one is let out', () => {
    let told = 0;
    fc.assert(
      fc.property(fc.array(anyRunner, { minLength: 1, maxLength: 4 }), (all) => {
        const runners = all.map((one, place) => ({ ...one, id: `r${place}`, vehicle: `c${place}` }));
        const { why } = releaseAdvice(waiting({ lap: exact(90) }), runners, limits({ queue: 1 }), EVEN_RING);
        if (why.code !== 'letPast') return;
        told += 1;
        const { waitS, times, aheadS } = why.values;
        const it = runners.find(({ vehicle }) => vehicle === why.subjects.runner.vehicle)!;
        const seen = Array.from({ length: waitS * 10 }, (_, tenth) => 1000 + tenth / 10).filter(
          (atS) =>
            Math.floor(progressOfRunner(it, atS + 0.1) - EVEN_RING.pitExit) >
            Math.floor(progressOfRunner(it, atS) - EVEN_RING.pitExit),
        );
        expect(times).toBe(seen.length);
        expect(1000 + waitS - seen.at(-1)!).toBeCloseTo(aheadS, 0);
      }),
      { numRuns: 500 },
    );
    expect(told).toBeGreaterThan(0);
  });

  it('does not call the road clear with a car about to come past', () => {
    const near = runner({ progress: 1.975, lap: exact(80), off: 2.5 });
    const { moments } = releaseAdvice(waiting(), [near], limits(), EVEN_RING);
    expect(moments[0]!.gapBehindS).toBeCloseTo(2, 6);
    expect(moments[0]!.trouble).toBeGreaterThan(moments[3]!.trouble + 0.3);
  });

  it('waits for a slower car that is on its last lap', () => {
    const slow = runner({ progress: 4.4, lap: exact(110), off: 5 });
    const quick = waiting({ lap: exact(62) });
    const { why } = releaseAdvice(quick, [slow], limits(), EVEN_RING);
    expect(told(why)).toMatch(/Dunnock Cup is on its last lap/);
  });

  it('keeps the gap between two releases, and says so', () => {
    const { why, moments } = releaseAdvice(waiting(), [], limits({ lastReleaseS: 980 }), EVEN_RING);
    expect(told(why)).toBe('Hold 25 s: 45 s between two releases.');
    expect(moments[24]!.hindrance).toBe('gap');
    expect(moments[25]!.hindrance).toBeUndefined();
  });

  it('waits for a place where the circuit is full', () => {
    const running = [0.2, 1.4, 2.6, 4.5].map((progress, i) => runner({ id: `r${i}`, vehicle: `c${i}`, progress }));
    const { why, best } = releaseAdvice(waiting(), running, limits({ maxCarsOnTrack: 4 }), EVEN_RING);
    expect(told(why)).toMatch(/^Hold .*: the circuit is full, c3 comes off next\.$/);
    expect(best!.atS).toBeGreaterThanOrEqual(1040);
  });

  it('says why nobody is let out', () => {
    const shut = () => fact('closed', {}, { untilS: at('13:00'), reason: undefined });
    const { why, best, go } = releaseAdvice(waiting(), [], limits({ shut }), EVEN_RING);
    expect([told(why), best, go]).toEqual(['The circuit is closed until 13:00.', undefined, false]);
  });

  it('never recommends what is not allowed, and looks three minutes ahead', () => {
    const setting = fc.record({
      runners: fc.array(anyRunner, { maxLength: 6 }),
      lastReleaseS: fc.integer({ min: 900, max: 1000 }),
      closes: fc.integer({ min: 990, max: 1250 }),
    });
    fc.assert(
      fc.property(setting, ({ runners, lastReleaseS, closes }) => {
        const shut = (atS: number) => (atS >= closes && atS < closes + 60 ? fact('noStop', {}) : undefined);
        const cars = runners.map((it, place) => ({ ...it, id: `r${place}` }));
        const advice = releaseAdvice(waiting(), cars, limits({ lastReleaseS, shut, maxCarsOnTrack: 4 }), EVEN_RING);
        expect(advice.windows.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0)).toBe(HORIZON_S + 1);
        if (!advice.best) return;
        const { atS } = advice.best;
        expect(atS).toBeGreaterThanOrEqual(lastReleaseS + 45);
        expect(shut(atS)).toBeUndefined();
        expect(cars.filter((it) => reachedS(it, it.off) > atS).length).toBeLessThan(4);
        expect(told(advice.why)).toMatch(/^[A-Z].*\.$/);
        // What is said and what is drawn are one: a hindrance is the reason where all is hindered until then, and traffic
        // where a moment was free before.
        const before = advice.moments.slice(0, advice.moments.indexOf(advice.best)).map(({ hindrance }) => hindrance);
        const { code } = advice.why;
        const hinders = { circuitFull: 'full', releaseGap: 'gap', shut: 'shut' } as Record<string, string | undefined>;
        if (advice.moments[0]!.hindrance === 'shut') expect(code).toBe('shut');
        else if (before.length === 0) expect(code).toBe('clear');
        else if (before.includes(undefined)) expect(hinders[code]).toBeUndefined();
        else expect(hinders[code]).toBe(before.at(-1));
        if (advice.why.code === 'clear') expect(advice.why.values.passes).toBe(advice.windows[0]!.passes);
      }),
      { numRuns: 300 },
    );
  });

  it('puts the quicker of two waiting cars first where that saves passes', () => {
    const [slow, quick] = [waiting({ id: 's', lap: exact(88) }), waiting({ id: 'q', lap: exact(80) })];
    const two = limits({ queue: 2, releaseGapS: 15 });
    expect(swapSaves([slow, quick], [], two, EVEN_RING)).toBeGreaterThan(0.2);
    expect(swapSaves([quick, slow], [], two, EVEN_RING)).toBe(0);
  });

  it('tells a car that waits as it would run', () => {
    const joined = joining(waiting(), 1030, limits({ firstLapFactor: 1.1 }), { ...EVEN_RING, pitExit: 0.1 });
    expect([joined.progress, joined.off, reachedS(joined, 1)]).toEqual([0.1, 5, 1030 + 0.9 * 88]);
  });
});

describe('The circuit from the journal', () => {
  const day = aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R', lapTimeS: 60 })],
    instructors: [
      anInstructor(),
      anInstructor({ id: 'i2', name: 'Ife Okoro' }),
      anInstructor({ id: 'i3', name: 'Maja Sund' }),
    ],
    guests: [
      aGuest(),
      aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 8 }] }),
      aGuest({ id: 'g3', name: 'Noor Haddad', drives: [{ id: 'd3', cars: ['c1'], laps: 5 }] }),
      aGuest({ id: 'g4', name: 'Emre Yalin', sighted: false, drives: [{ id: 'd4', cars: ['c1'], laps: 5 }] }),
    ],
  });
  const plan = aPlan({
    drives: [
      drive('10:00'),
      drive('10:01', { drive: 'd2', car: 'c2', instructor: 'i2' }),
      drive('10:20', { drive: 'd3' }),
    ],
  });
  function out() {
    const it = writtenJournal(day, plan);
    for (const guest of ['g1', 'g2', 'g4']) {
      it.clear(guest);
    }
    it.enter('09:55', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    it.enter('09:55', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' });
    it.enter('10:00', { kind: 'released', drive: 'd1' });
    it.enter('10:01', { kind: 'released', drive: 'd2' });
    return it;
  }

  it('sorts cars by who comes past next', () => {
    const it = out();
    it.enter('10:01:20', { kind: 'lineCrossed', car: 'c1', ms: 0 });
    const runners = runnersOf(it.context, it.state('10:01:40'), EVEN_RING);
    expect(runners.map(({ vehicle }) => vehicle)).toEqual(['c2', 'c1']);
    expect(crossesInS(runners[0]!)).toBeCloseTo(20, 0);
    expect(runners[1]!.progress).toBeCloseTo(1.25, 2);
  });

  it('goes by a tracker where it has spoken lately', () => {
    const it = out();
    const place = (atS: number) => [{ car: 'c1', place: 0.4, atS }];
    const progress = (atS: number) =>
      runnersOf(it.context, it.state('10:00:40'), EVEN_RING, place(atS)).find(({ id }) => id === 'd1')!.progress;
    expect(progress(at('10:00:39'))).toBeCloseTo(0.4 + 1 / 80, 3);
    expect(progress(at('10:00:20'))).toBeCloseTo(0.5, 2);
  });

  it('finds the lap that a pass has spoiled, and leaves out what is marked', () => {
    const it = out();
    for (const [time, car] of [['10:01:22', 'c1'], ['10:02:00', 'c2'], ['10:02:42', 'c1'], ['10:03:00', 'c2'], ['10:04:00', 'c2'], ['10:04:03', 'c1']] as const) {
      it.enter(time, { kind: 'lineCrossed', car, ms: 0 });
    } // prettier-ignore
    const [pass] = passesSeen(it.context, it.state('10:04:10'), EVEN_RING);
    expect(pass).toEqual(jasmine.objectContaining({ passed: 'd1', passing: { kind: 'drive', vehicle: 'c2' }, lap: 3 }));
    it.enter('10:04:10', { kind: 'lapSpoiled', drive: 'd1', lap: 3, reason: 'passed' });
    expect(passesSeen(it.context, it.state('10:04:20'), EVEN_RING)).toEqual([]);
  });

  it('finds a pass by a sighting vehicle, also after its run has ended', () => {
    const it = out();
    it.enter('10:00:30', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i3', guests: ['g4'] });
    // The run gains on car 1, which is slow, and has gone past it before the second crossing of both.
    for (const [time, car] of [['10:01:30', 'c1'], ['10:01:40', 's1'], ['10:02:50', 's1'], ['10:03:10', 'c1'], ['10:04:00', 's1'], ['10:04:50', 'c1']] as const) {
      it.enter(time, { kind: 'lineCrossed', car, ms: 0 });
    } // prettier-ignore
    const passes = () => passesSeen(it.context, it.state('10:05'), EVEN_RING).filter(({ passed }) => passed === 'd1');
    expect(passes()).toEqual([jasmine.objectContaining({ passing: { kind: 'sighting', vehicle: 's1' }, lap: 2 })]);
    it.enter('10:04:30', { kind: 'sightingEnded', vehicle: 's1' });
    expect(passes().length).toBe(1);
  });

  it('expects the pace that a guest has shown in the drive before, in another car too', () => {
    const it = writtenJournal(
      aDay({ cars: day.cars, guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5 }, { id: 'd2', cars: ['c2'], laps: 5 }] })] }),
      aPlan({ drives: [drive('10:00'), drive('10:40', { drive: 'd2', car: 'c2' })] }),
    ); // prettier-ignore
    it.clear('g1');
    it.enter('09:55', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    it.enter('10:00', { kind: 'released', drive: 'd1' });
    // A tenth slower than car and booking promise, lap after lap.
    for (let lap = 1; lap <= 5; lap++) {
      it.enter(wallClock(at('10:00') + 88 * lap), { kind: 'lineCrossed', car: 'c1', ms: 0 });
    }
    it.enter('10:08', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:09', { kind: 'parked', drive: 'd1' });
    it.enter('10:12', { kind: 'debriefed', drive: 'd1' });
    const estimate = (time: string) => lapEstimateOf(it.context, it.state(time).drives.get('d2')!);
    const before = estimate('10:20');
    it.enter('10:35', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i1' });
    const after = estimate('10:36');
    expect(after.lapS / before.lapS).toBeGreaterThan(1.05);
    expect(after.lapS / before.lapS).toBeLessThan(1.1);
    expect(after.sdS).toBeLessThan(before.sdS);
  });

  it('says whom a drive delays, and whom one more lap would', () => {
    const it = out();
    const state = it.state('10:03');
    const own = runnersOf(it.context, state, EVEN_RING).find(({ id }) => id === 'd1')!;
    expect(delaysOf(it.context, state, own)).toEqual([]);
    const delays = delaysOf(it.context, state, own, 6);
    expect(delays.map(({ code }) => code)).toEqual(['nextInCar']);
    expect(inEnglish(it.context.day).delay(delays[0]!)).toMatch(/^next in this car, Noor Haddad: \d+ min later$/);
  });
});
