import fc from 'fast-check';
import { wallClock } from '../day';
import { aDay, aPlan, at, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { timedLaps } from '.';
import { agreedCrossings } from './lap-count';

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
  for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
    it.enter('09:00', { kind, guest: 'g1' });
  }
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
