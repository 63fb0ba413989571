import { vocabularyOf } from '../people/coaching';
import { analyseLaps, guestResult } from '../people/coaching';
import { lapTexts } from '@words/guests';
import { carDaysOf } from '../venue/garage';
import { aDay, aPlan, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { timedLaps } from './timed-laps';

/** Ines Faro, let out at ten: five laps of some 80 s. */
function letOut() {
  const it = writtenJournal(aDay(), aPlan({ drives: [drive('10:00')] }));
  it.clear('g1');
  it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  return it;
}
const cross = (it: ReturnType<typeof letOut>, ...times: string[]) =>
  times.forEach((time) => it.enter(time, { kind: 'lineCrossed', car: 'c1', ms: 0 }));
const tap = (it: ReturnType<typeof letOut>, ...times: string[]) =>
  times.forEach((time) => it.enter(time, { kind: 'lapCounted', drive: 'd1', source: 'hand' }));
const analysis = (it: ReturnType<typeof letOut>, time = '10:12') =>
  analyseLaps(it.context, it.state(time).drives.get('d1')!);

describe('A crossing that nobody saw', () => {
  it('by the loop has the time at which people saw it', () => {
    const it = letOut();
    cross(it, '10:01:29', '10:04:05', '10:05:22');
    tap(it, '10:01:30', '10:02:50', '10:04:06', '10:05:23');
    const found = analysis(it);
    expect(lapTexts(found)).toEqual(['1:29.0', '1:21.0', '1:15.0', '1:17.0']);
    expect([found.driven, found.bestS]).toEqual([4, 75]);
  });

  it('invents no lap: the two laps have one time together, and count as two', () => {
    const it = letOut();
    tap(it, '10:01:30');
    it.enter('10:02:55', { kind: 'lapsSettled', drive: 'd1', crossings: 2 });
    tap(it, '10:04:06', '10:05:23');
    const found = analysis(it);
    expect(lapTexts(found)).toEqual(['1:30.0', 'two laps in 2:36.0', '1:17.0']);
    expect([found.driven, found.untimed]).toEqual([4, 0]);
    expect(found.clean.map(({ lapS }) => lapS)).toEqual([77]);
  });

  it('is no part of best, gain, pace or the lap measured for the car', () => {
    const it = letOut();
    cross(it, '10:01:20', '10:02:40');
    it.enter('10:04:10', { kind: 'lapsSettled', drive: 'd1', crossings: 3 });
    cross(it, '10:05:20', '10:06:40');
    const found = analysis(it);
    const state = it.state('10:12');
    expect([found.bestS, found.meanS, found.clean.length]).toEqual([80, 80, 2]);
    expect(guestResult(it.context, state, 'g1', vocabularyOf([]))!.laps).toBe(5);
    expect(carDaysOf(it.context, state)[0]!.lap).toBeNull();
  });

  it('has no time where somebody decided that there had been one', () => {
    const it = letOut();
    tap(it, '10:01:30', '10:02:50');
    it.enter('10:08', { kind: 'lapsSettled', drive: 'd1', crossings: 4 });
    expect(lapTexts(analysis(it))).toEqual(['1:30.0', '1:20.0', 'two laps without a time']);
    expect(analysis(it).driven).toBe(4);
  });

  it('and was not noticed either leaves a long lap that is nobody’s best', () => {
    const it = letOut();
    tap(it, '10:01:30', '10:04:48');
    const found = analysis(it);
    expect(timedLaps(it.context, it.state('10:12').drives.get('d1')!).map(({ long }) => long)).toEqual([false, true]);
    expect([found.bestS, found.clean.length]).toEqual([undefined, 0]);
  });

  it('is none where the whole drive is slow', () => {
    const it = letOut();
    tap(it, '10:02:30', '10:04:40', '10:06:52', '10:09:01');
    expect(analysis(it).clean.length).toBe(3);
  });
});
