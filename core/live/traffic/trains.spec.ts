import { carsInOrder, estimateLap } from '../../journal';
import { gathered, TRAIN_DAY } from '../../testing/gathered-train';
import { TRAIN } from '../../testing/group-days';
import { aGuest, at } from '../../testing/small-day';
import { allJoining, releaseAdvice } from './release-advice';
import { EVEN_RING, lapShapeOf, lapSpeeds } from './lap-shape';
import { exitLimits } from './at-exit';
import { runnersOf } from './on-circuit';
import { trainsAt, trainsBeside, waitingTrain } from './trains';
import type { Runner } from './runner';

const [group] = TRAIN_DAY.groups;
const lap = estimateLap(80, 1, []);
const runner = (more: Partial<Runner>): Runner => ({
  ...{ id: 'a', kind: 'drive', vehicle: 'c9', fromS: at('09:59'), progress: 0.5, lap, firstLapFactor: 1, off: 9 },
  ...more,
});

describe('A train at the exit', () => {
  const it1 = gathered();
  const state = it1.state('09:59');
  const [train] = trainsAt(state, 'gathered');
  const waiting = waitingTrain(it1.context, train!, state.timeS, 0);
  const advice = (most: number, runners: Runner[]) => {
    const limits = { ...exitLimits(it1.context, state, 1), maxCarsOnTrack: most };
    return releaseAdvice(waiting, runners, limits, EVEN_RING);
  };

  it('is let out only where there is room for all of its cars', () => {
    expect(carsInOrder(train!.train)).toEqual(['c4', 'c1', 'c2', 'c3']);
    expect(advice(4, []).go).toBeTrue();
    expect(advice(3, []).best).toBeUndefined();
    expect(advice(4, [runner({})]).moments[0]!.hindrance).toBe('full');
    expect(advice(5, [runner({})]).moments[0]!.hindrance).toBeUndefined();
  });

  it('waits for a car that would come past while it is still going out', () => {
    // In two seconds at the exit: before the second car of the train is out.
    const [now] = advice(6, [runner({ progress: 1 - 2 / 80 })]).moments;
    expect(now!.gapBehindS).toBe(0);
    expect(allJoining(waiting, 0, { firstLapFactor: 1 }, EVEN_RING).length).toBe(4);
  });

  it('is kept waiting by no group that was let out elsewhere', () => {
    const out = gathered();
    out.enter('10:00', { kind: 'groupReleased', group: 'train' });
    const state = out.state('10:01');
    const onOval = { ...state.groups.get('train')!, group: { ...group!, surface: 'oval' } };
    const elsewhere = { ...state, groups: new Map([['train', onOval]]) };
    expect(exitLimits(out.context, elsewhere, 1).lastReleaseS).toBe(-Infinity);
  });

  it('keeps the next release away from its last car', () => {
    const out = gathered();
    out.enter('10:00', { kind: 'groupReleased', group: 'train' });
    const { lastReleaseS } = exitLimits(out.context, out.state('10:01'), 1);
    expect(lastReleaseS).toBeGreaterThan(at('10:00') + 3);
    const [first, second] = runnersOf(out.context, out.state('10:00:30'), EVEN_RING);
    expect(first!.progress).toBeGreaterThan(second!.progress);
  });
});

describe('A train that crosses the line', () => {
  it('is seen by the loop at its first car, once a lap, and is no stray', () => {
    const it = gathered();
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    for (const car of ['c4', 'c1', 'c2', 'c3', 'c4']) it.enter('10:02', { kind: 'lineCrossed', car, ms: 0 });
    it.enter('10:03:40', { kind: 'lineCrossed', car: 'c4', ms: 0 });
    const state = it.state('10:04');
    expect(state.strays).toEqual([]);
    expect(state.groups.get('train')!.seen).toEqual([at('10:02'), at('10:03:40')]);
    expect(state.groups.get('train')!.laps).toEqual([]);
  });
});

describe('Trains beside each other', () => {
  const beside = (most: number, lapS = 90) =>
    trainsBeside(
      { ...TRAIN_DAY, rules: { ...TRAIN_DAY.rules, maxCarsOnTrack: most, releaseGapS: 20 } },
      group!,
      TRAIN,
      lapS,
    );

  it('fit as often as there are cars allowed and room on the lap', () => {
    expect(beside(3)).toEqual({ trains: 0, singlesBeside: 3, meets: undefined });
    expect(beside(9)).toEqual(jasmine.objectContaining({ trains: 2, singlesBeside: 1 }));
    // However many cars are allowed, those on a short lap would come up to each other.
    expect(beside(60, 60).trains).toBeLessThan(beside(60, 240).trains);
  });

  it('meet single cars of another pace, and the more of them the longer those drive', () => {
    const day = { ...TRAIN_DAY, rules: { ...TRAIN_DAY.rules, maxCarsOnTrack: 6 } };
    const coached = (laps: number) => ({
      ...day,
      guests: [...day.guests, aGuest({ id: 'x', pace: 1, drives: [{ id: 'dx', cars: ['c1'], laps }] })],
    });
    const [few, many] = [3, 9].map((laps) => trainsBeside(coached(laps), group!, TRAIN, 110).meets!);
    expect(few!.laps).toBe(3);
    expect(many!.cars).toBeGreaterThan(few!.cars);
    expect(trainsBeside(day, group!, TRAIN, 110).meets).toBeUndefined();
  });
});

describe('Speeds of a lap', () => {
  it('are the same everywhere where nothing is known, and add up to the lap otherwise', () => {
    const even = lapSpeeds(EVEN_RING, 2000, 100);
    expect(even.slowestMps).toBeCloseTo(20, 6);
    expect(even.fastestMps).toBeCloseTo(20, 6);
    const line = Array.from({ length: 40 }, (_, n) => ({
      xM: 300 * Math.cos((n / 40) * 2 * Math.PI),
      yM: 300 * Math.sin((n / 40) * 2 * Math.PI),
    }));
    const speeds = [
      { atM: 0, kmh: 60 },
      { atM: 900, kmh: 180 },
    ];
    const shape = lapShapeOf({ line, pitExitM: 0, pitEntryM: 0, corners: [], speeds });
    const { slowestMps, fastestMps } = lapSpeeds(shape, 2000, 100);
    expect(fastestMps / slowestMps).toBeCloseTo(3, 1);
    expect(slowestMps).toBeLessThan(20);
    expect(fastestMps).toBeGreaterThan(20);
  });
});
