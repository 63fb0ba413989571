import { checkPlan } from '../rules';
import { layOut } from '../day';
import { planDay, seededRandom } from '../planner';
import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { amendedDay } from './situation';
import { dayContext } from './state/context';
import { planningSnapshotOf } from './plan-again';
import { stateOf } from './reduce';

/** Two guests of one class and one run, who then drive in two cars. */
const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: ['g1', 'g2'].map((id, i) =>
    aGuest({ id, name: ['Ines Faro', 'Oskar Lind'][i]!, briefed: false, sighted: false, drives: [drives(i)] }),
  ),
});
function drives(i: number) {
  return { id: `d${i + 1}`, cars: ['c1', 'c2'], laps: 5 };
}
const both = ['g1', 'g2'];
const plan = aPlan({
  briefings: [{ start: at('09:10'), instructor: 'i1', guests: both }],
  sightings: [{ vehicle: 's1', release: at('09:45'), instructor: 'i2', guests: both }],
  drives: [drive('10:10'), drive('10:12', { drive: 'd2', car: 'c2', instructor: 'i2' })],
});

/** Everybody who is named comes to class and on the run. */
function morning(there: string[]) {
  const it = writtenJournal(day, plan);
  for (const guest of both) {
    it.clear(guest);
  }
  it.enter('09:10', { kind: 'classBegan', instructor: 'i1', guests: there });
  it.enter('09:35', { kind: 'classEnded', instructor: 'i1', guests: there });
  it.enter('09:45', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i2', guests: there });
  it.enter('09:50', { kind: 'sightingEnded', vehicle: 's1' });
  return it;
}

/** The snapshot at a time, with what the journal says of the day itself. */
function snapshot(it: ReturnType<typeof writtenJournal>, time: string) {
  const known = amendedDay(day, it.entries).day;
  return planningSnapshotOf(known, plan, stateOf(dayContext(known, plan), it.entries, at(time)));
}

describe('Laps that were sold or given on the day', () => {
  it('are planned with, before and after the guest sits down, and gone when they are taken back', () => {
    const it = morning(both);
    const lapsOf = (time: string) => {
      const { day: known } = snapshot(it, time);
      return known.guests.flatMap(({ drives: all }) => all.map(({ laps, extraLaps = 0 }) => laps + extraLaps));
    };
    expect(lapsOf('09:55')).toEqual([5, 5]);
    const sold = it.enter('09:55', { kind: 'extraLapGranted', drive: 'd1', price: 29 });
    expect(lapsOf('09:56')).toEqual([6, 5]);
    expect(it.state('09:56').guests.get('g1')!.sold).toBe(29);
    const endS = (time: string) => {
      const { day: known, plan: seen } = snapshot(it, time);
      return layOut(known, seen).drives.find(({ planned }) => planned.drive === 'd1')!.trackEndS;
    };
    const longer = layOut(day, plan).drives[0]!.trackEndS + 80;
    expect(endS('09:56')).toBe(longer);
    it.enter('10:06', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    expect(endS('10:07')).toBe(longer);
    it.enter('10:07', { kind: 'correction', corrects: sold });
    expect([lapsOf('10:08'), it.state('10:08').guests.get('g1')!.sold]).toEqual([[5, 5], 0]);
    expect(endS('10:08')).toBe(longer - 80);
  });
});

function again(it: ReturnType<typeof writtenJournal>, time: string) {
  const { day: known, from } = snapshot(it, time);
  const { plan: found } = planDay(known, { iterations: 20, random: seededRandom(1) }, from);
  expect(checkPlan(known, found, from).violations).toEqual([]);
  return found;
}

describe('Planning again from what happened', () => {
  it('leaves what went as planned as it is', () => {
    const found = again(morning(both), '09:55');
    expect(found.briefings.map(({ guests }) => guests)).toEqual([both]);
    expect(found.sightings.map(({ guests }) => guests)).toEqual([both]);
  });

  it('knows who missed the class: it had the others, and the missing one gets another, before any drive', () => {
    const it = morning(['g1']);
    const seen = snapshot(it, '09:55');
    expect(seen.plan.briefings.map(({ guests }) => guests)).toEqual([['g1']]);
    expect(checkPlan(seen.day, seen.plan).violations.map(inEnglish(day).violation)).toContain(
      'Oskar Lind drives without a classroom briefing',
    );
    const found = again(it, '09:55');
    const later = found.briefings.find(({ guests }) => guests.includes('g2'))!;
    expect(later.start).toBeGreaterThanOrEqual(at('09:55'));
    const own = found.drives.find(({ drive: id }) => id === 'd2')!;
    expect(own.release).toBeGreaterThan(later.start + day.rules.briefing.durationS);
    expect(found.drives.find(({ drive: id }) => id === 'd1')!.release).toBeLessThanOrEqual(at('10:10'));
  });

  it('waits with that until the class is over, and takes everybody as present where nobody has entered who was', () => {
    const running = writtenJournal(day, plan);
    for (const guest of both) running.enter('09:00', { kind: 'guestArrived', guest });
    running.enter('09:10', { kind: 'classBegan', instructor: 'i1', guests: ['g1'] });
    expect(snapshot(running, '09:20').plan.briefings[0]!.guests).toEqual(both);
    const silent = writtenJournal(day, plan);
    expect(snapshot(silent, '09:55').plan.briefings[0]!.guests).toEqual(both);
  });

  it('sends nobody on a second run because the circuit is said to have been closed then', () => {
    const it = morning(both);
    it.enter('09:54', { kind: 'circuitClosed', from: at('09:40'), to: at('09:58'), reason: 'told late' });
    const found = again(it, '09:55');
    expect(found.sightings.map(({ release, guests }) => [release, guests])).toEqual([[at('09:45'), both]]);
  });

  it('keeps a class whose instructor has gone since, and the run after it', () => {
    const it = morning(both);
    it.enter('09:52', { kind: 'crewAway', instructor: 'i1', from: at('09:15'), to: at('18:00') });
    const found = again(it, '09:55');
    expect(found.briefings.map(({ instructor, guests }) => [instructor, guests])).toEqual([['i1', both]]);
    expect(found.drives.map(({ instructor }) => instructor)).toEqual(['i2', 'i2']);
  });

  it('never plans a drive anew that is driven, though its guest was never in the class that is planned', () => {
    const it = morning(['g1']);
    // Refused on line; what was entered without connection has happened.
    const seat = { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' } as const;
    expect(it.enter('10:07', seat)).toContain('not briefed yet');
    it.enter('10:07', { ...seat, offline: true });
    it.enter('10:12', { kind: 'released', drive: 'd2', offline: true });
    const found = again(it, '10:15');
    expect(found.drives.find(({ drive: id }) => id === 'd2')).toEqual(
      jasmine.objectContaining({ car: 'c2', instructor: 'i2', release: at('10:12') }),
    );
    expect(found.briefings.flatMap(({ guests }) => guests)).toEqual(['g1']);
  });

  it('keeps a finished drive over which a closure was told afterwards', () => {
    const it = morning(both);
    it.enter('10:06', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    it.enter('10:17', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:18', { kind: 'parked', drive: 'd1' });
    it.enter('10:30', { kind: 'circuitClosed', from: at('10:13'), to: at('10:40'), reason: 'told late' });
    const found = again(it, '10:31');
    const own = found.drives.find(({ drive: id }) => id === 'd1')!;
    expect([own.release, own.car]).toEqual([at('10:10'), 'c1']);
    expect(found.drives.find(({ drive: id }) => id === 'd2')!.release).toBeGreaterThanOrEqual(at('10:40'));
  });

  it('goes by the readings of the tank in the order of time, however they came', () => {
    const drinks = { capacityL: 60, startL: 20, reserveL: 10, perLapL: 1, refuelS: 480 };
    const thirsty = aDay({
      ...day,
      cars: [aCar({ fuel: { ...drinks, readings: [{ at: at('12:00'), litres: 60 }] } })],
      guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 8 }] })],
    });
    const it = writtenJournal(thirsty, aPlan({}));
    it.enter('09:00', { kind: 'fuelRead', car: 'c1', litres: 12 });
    const { day: known, from } = planningSnapshotOf(thirsty, aPlan({}), it.state('09:05'));
    const { plan: found } = planDay(known, { iterations: 20, random: seededRandom(1) }, from);
    expect(checkPlan(known, found, from).violations).toEqual([]);
    const first = found.drives[0]!;
    expect(found.refuels.length > 0 || first.release > at('12:00')).toBeTrue();
  });
});
