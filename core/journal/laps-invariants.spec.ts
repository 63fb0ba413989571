import fc from 'fast-check';
import { wallClock } from '../values';
import { aDay, aGuest, aPlan, at, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { countsDiffer, agreedCrossings } from './state/lap-count';
import { lapsOwed } from './state/owed';
import { progressOf } from './state/context';
import { timedLaps } from './timed-laps';

/** Seconds by which a tap comes after the crossing, at most. */
const LATE_S = 2;
const RELEASED = at('10:00');

/** Ines Faro is let out; her laps take these times, the loop misses some crossings, and people tap them all. */
const outing = fc.record({
  laps: fc.array(fc.integer({ min: 74, max: 88 }), { minLength: 3, maxLength: 5 }),
  missed: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
  late: fc.array(fc.integer({ min: 0, max: LATE_S }), { minLength: 5, maxLength: 5 }),
  taps: fc.boolean(),
});
type Outing = typeof outing extends fc.Arbitrary<infer T> ? T : never;

function driven({ laps, missed, late, taps }: Outing) {
  const it = writtenJournal(aDay(), aPlan({ drives: [drive('10:00')] }));
  it.clear('g1');
  it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  let atS = RELEASED;
  const crossed = laps.map((lapS) => (atS += lapS));
  const reports = crossed.flatMap((crossedS, i) => [
    ...(missed[i] ? [] : [{ atS: crossedS, tap: false }]),
    ...(taps ? [{ atS: crossedS + late[i]!, tap: true }] : []),
  ]);
  for (const report of reports.sort((a, b) => a.atS - b.atS)) {
    const fields = report.tap
      ? ({ kind: 'lapCounted', drive: 'd1', source: 'hand' } as const)
      : ({ kind: 'lineCrossed', car: 'c1', ms: 0 } as const);
    it.enter(wallClock(report.atS), fields);
  }
  const state = it.state(wallClock(atS + 60)).drives.get('d1')!;
  return { crossed, state, timed: timedLaps(it.context, state) };
}

describe('Laps and their times, whatever the loop misses', () => {
  it('stand one after the other: no stretch of time is counted twice, none is left out', () => {
    fc.assert(
      fc.property(outing, (one) => {
        const { state, timed } = driven(one);
        const until = timed.reduce((number, lap) => {
          expect(lap.number).toBe(number);
          return lap.number + lap.laps;
        }, 1);
        expect(until - 1).toBeLessThanOrEqual(state.crossings.length);
        const last = state.crossings.findLast(({ seen }) => seen);
        const timedS = timed.reduce((sum, { lapS }) => sum + lapS, 0);
        expect(timedS).toBeCloseTo(last ? last.atS - RELEASED : 0, 6);
      }),
    );
  });

  it('are never more than were driven, and all of them where people tap', () => {
    fc.assert(
      fc.property(outing, (one) => {
        const { crossed, state } = driven(one);
        const agreed = agreedCrossings(state.count);
        expect(agreed).toBeLessThanOrEqual(crossed.length);
        if (one.taps && !one.missed.some(Boolean)) expect(agreed).toBe(crossed.length);
      }),
    );
  });

  it('invent no lap: one that is timed by itself was driven in that time', () => {
    fc.assert(
      fc.property(outing, (one) => {
        const { timed } = driven(one);
        const [quickest, slowest] = [Math.min(...one.laps), Math.max(...one.laps)];
        for (const lap of timed.filter(({ laps, long }) => laps === 1 && !long)) {
          expect(lap.lapS).toBeGreaterThanOrEqual(quickest - LATE_S);
          expect(lap.lapS).toBeLessThanOrEqual(slowest + LATE_S);
        }
        for (const { laps, lapS } of timed) expect(lapS).toBeGreaterThanOrEqual(laps * quickest - LATE_S);
      }),
    );
  });
});

describe('A drive that ends at the way in', () => {
  const layout = fc.record({
    endsBeforeLine: fc.boolean(),
    outLapCounts: fc.boolean(),
    laps: fc.integer({ min: 1, max: 6 }),
    source: fc.constantFrom('loop', 'hand', 'both'),
    loopInPits: fc.boolean(),
    lapS: fc.integer({ min: 60, max: 100 }),
    toldOfWayIn: fc.boolean(),
  });

  it('has all its laps, by loop, by hand and by both, on both sides of the line; a loop in the pits adds none', () => {
    fc.assert(
      fc.property(layout, ({ endsBeforeLine, outLapCounts, laps, source, loopInPits, lapS, toldOfWayIn }) => {
        const day = aDay({ guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps }] })] });
        const it = writtenJournal(
          { ...day, rules: { ...day.rules, outLapCounts }, circuit: { ...day.circuit, endsBeforeLine } },
          aPlan({ drives: [drive('10:00')] }),
        );
        it.clear('g1');
        it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
        it.enter('10:00', { kind: 'released', drive: 'd1' });
        // Round by round; where the way in lies before the line, the last round has no crossing.
        const rounds = laps + (outLapCounts ? 0 : 1);
        const crossings = endsBeforeLine ? rounds - 1 : rounds;
        const loop = (atS: number) => it.enter(wallClock(atS), { kind: 'lineCrossed', car: 'c1', ms: 0 });
        const tap = (atS: number) => it.enter(wallClock(atS), { kind: 'lapCounted', drive: 'd1', source: 'hand' });
        for (let lap = 1; lap <= crossings; lap++) {
          const atS = RELEASED + lap * lapS;
          if (source !== 'hand') loop(atS);
          if (source !== 'loop') tap(atS + 1);
        }
        const inS = RELEASED + rounds * lapS - (endsBeforeLine ? 6 : -6);
        if (toldOfWayIn) it.enter(wallClock(inS), { kind: 'broughtIn', drive: 'd1' });
        if (endsBeforeLine && loopInPits && toldOfWayIn) loop(inS + 10);
        it.enter(wallClock(inS + 60), { kind: 'parked', drive: 'd1' });
        const state = it.state(wallClock(inS + 90));
        const driven = state.drives.get('d1')!;
        expect(progressOf(it.context, driven)).toEqual({ done: laps, due: laps });
        expect(lapsOwed(it.context, state, driven)).toBe(0);
        expect(state.cars.get('c1')!.laps).toBe(rounds);
        expect(countsDiffer(driven.count, inS + 90)).toBeUndefined();
      }),
      { numRuns: 150 },
    );
  });

  it('gives a lap that a flag has spoiled again by itself where the venue says so, once a lap', () => {
    const laps = (flagLapsGranted: boolean) => {
      const day = aDay();
      const it = writtenJournal(
        { ...day, rules: { ...day.rules, flagLapsGranted } },
        aPlan({ drives: [drive('10:00')] }),
      );
      it.clear('g1');
      it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
      it.enter('10:00', { kind: 'released', drive: 'd1' });
      it.enter('10:00:40', { kind: 'flagCalled', flag: 'caution' });
      it.enter('10:00:50', { kind: 'flagCalled', flag: 'caution' });
      it.enter('10:01:10', { kind: 'flagCalled', flag: 'green' });
      it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
      return it.state('10:02').drives.get('d1')!.extraLaps;
    };
    expect([laps(true), laps(false)]).toEqual([1, 0]);
  });
});
