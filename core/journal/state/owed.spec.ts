import * as fc from 'fast-check';
import { checkPlan } from '../../rules';
import { emptyPlan } from '../../day';
import { fact } from '../../values';
import { planDay, seededRandom } from '../../planner';
import { inEnglish } from '../../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { lapsOwed, owedDrives, owedFrom, owedId, withOwed, withOwedWaiting } from './owed';
import { planningSnapshotOf } from '../plan-again';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1', 'c2'], laps: 5 }] })],
});
const plan = aPlan({ drives: [drive('10:00')] });

const options = (seed: number) => ({ random: seededRandom(seed), maxSteps: 50 });

/** One lap of five is driven when the drive is broken off. */
function brokenOff() {
  const it = writtenJournal(day, plan);
  it.clear('g1');
  it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  it.enter('10:02', { kind: 'brokenOff', drive: 'd1', reason: 'fault' });
  return it;
}

describe('Laps that are owed', () => {
  it('are a drive of their own, in the cars of the first, which waits in the plan', () => {
    const it = brokenOff();
    const owed = owedDrives(it.context, it.state('10:03'));
    expect(owed.map((one) => [one.from, one.drive.id, one.drive.laps, one.drive.cars])).toEqual([
      ['d1', 'd1+owed', 4, ['c1', 'c2']],
    ]);
    const extended = withOwed(day, owed);
    expect(extended.guests[0]!.drives.map(({ id }) => id)).toEqual(['d1', 'd1+owed']);
    const waiting = withOwedWaiting(plan, owed);
    expect(waiting.unplanned).toEqual([{ drive: 'd1+owed', reason: fact('owed', {}, { since: at('10:02') }) }]);
    expect(checkPlan(extended, waiting).violations.map(({ code }) => code)).not.toContain('COMPLETE');
    expect(withOwedWaiting(waiting, owed)).toEqual(waiting);
    expect(owedFrom(extended.guests[0] ? new Map([['d1', 1]]) : new Map(), 'd1+owed')).toBe('d1');
  });

  it('follow the word of the guest, and the last one holds', () => {
    const it = brokenOff();
    const owed = () => owedDrives(it.context, it.state('10:30'))[0]!;
    it.enter('10:05', { kind: 'owedAgreed', drive: 'd1', notBefore: at('15:00') });
    expect([owed().drive.notBefore, owed().notToday]).toEqual([at('15:00'), false]);
    it.enter('10:06', { kind: 'owedAgreed', drive: 'd1', notToday: true });
    expect([owed().drive.notBefore, owed().notToday]).toEqual([undefined, true]);
    expect(withOwed(day, [owed()])).toEqual(day);
    const place = { release: at('11:00'), car: 'c2', instructor: 'i2' };
    it.enter('10:07', { kind: 'owedAgreed', drive: 'd1', place });
    expect(owed().drive.pin).toEqual(place);
    expect(it.enter('10:08', { kind: 'owedAgreed', drive: 'nothing' })).toContain('no drive');
  });

  it('are owed no longer once the guest sits in their drive', () => {
    const it = brokenOff();
    const owed = owedDrives(it.context, it.state('10:03'));
    const later = writtenJournal(withOwed(day, owed), withOwedWaiting(plan, owed));
    later.entries.push(...it.entries);
    const count = (time: string) => lapsOwed(later.context, later.state(time), later.state(time).drives.get('d1')!);
    later.enter('10:04', { kind: 'parked', drive: 'd1' });
    later.enter('10:06', { kind: 'debriefed', drive: 'd1' });
    expect(count('10:20')).toBe(4);
    expect(later.enter('10:30', { kind: 'seated', drive: 'd1+owed', car: 'c2', instructor: 'i2' })).toMatch(/^entry/);
    expect(count('10:31')).toBe(0);
    expect(owedDrives(later.context, later.state('10:31')).length).toBe(1);
  });

  it('have ids that fit however long the id of the drive is', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 64 }), (id) => {
        expect(owedId(id).length).toBeLessThanOrEqual(64);
        expect(owedId(id)).not.toBe(id);
      }),
    );
  });
});

describe('What has begun', () => {
  it('stays in its car, whatever is held, closed or changed meanwhile', () => {
    const it = brokenOff();
    it.enter('10:03', { kind: 'carHeld', car: 'c1', reason: 'fault of the car' });
    const shut = { ...day, circuit: { ...day.circuit, closures: [{ from: at('10:03'), to: at('11:00') }] } };
    for (const changed of [day, shut]) {
      const { day: known, repair } = planningSnapshotOf(changed, plan, it.state('10:05'));
      const { plan: again } = planDay(known, options(1), repair);
      const same = again.drives.find((planned) => planned.drive === 'd1')!;
      expect([same.car, same.release]).toEqual(['c1', at('10:00')]);
    }
  });

  it('is over early where it was broken off, so that who was in it is free', () => {
    const it = brokenOff();
    it.enter('10:04', { kind: 'parked', drive: 'd1' });
    const { plan: seen } = planningSnapshotOf(day, plan, it.state('10:05'));
    expect(seen.drives[0]!.heldUntil).toBe(at('10:08'));
  });

  it('has the car and the instructor with whom the guest sat down', () => {
    const it = writtenJournal(day, plan);
    it.clear('g1');
    it.enter('09:30', { kind: 'seated', drive: 'd1', car: 'c2', instructor: 'i2' });
    const { plan: seen, repair } = planningSnapshotOf(day, plan, it.state('09:32'));
    expect(seen.drives).toEqual([{ drive: 'd1', car: 'c2', instructor: 'i2', release: at('09:34') }]);
    expect(repair!.previous.drives.length).toBe(1);
  });
});

describe('A drive that is wanted no earlier than a time', () => {
  it('is planned no earlier, and the rule says so of one that is', () => {
    const late = {
      ...day,
      guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5, notBefore: at('14:00') }] })],
    };
    const { violations } = checkPlan(late, plan);
    expect(violations.map((one) => [one.code, inEnglish(late).violation(one)])).toEqual([
      ['GUEST_PRESENT', 'Ines Faro wants Ines Faro in Dunnock Cup at 10:00 no earlier than 14:00'],
    ]);
    const { plan: found } = planDay(late, options(3));
    expect(found.drives[0]!.release).toBeGreaterThanOrEqual(at('14:04'));
    expect(checkPlan(late, { ...emptyPlan(day.date), ...found }).violations).toEqual([]);
  });
});
