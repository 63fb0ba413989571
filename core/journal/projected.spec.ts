import { checkPlan } from '../rules';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { isProjected, projectedEntries } from './projected';
import { planningSnapshotOf } from './plan-again';
import { stateOf } from './reduce';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({ briefed: false, sighted: false }),
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] }),
  ],
});
const plan = aPlan({
  briefings: [{ start: at('09:10'), instructor: 'i1', guests: ['g1'] }],
  sightings: [{ release: at('09:50'), vehicle: 's1', instructor: 'i2', guests: ['g1'] }],
  drives: [drive('10:30'), drive('10:00', { drive: 'd2', car: 'c2', instructor: 'i1' })],
  refuels: [{ car: 'c1', start: at('11:00') }],
});

/** The state at a time to come, seen from a moment at which so much of the journal is written. */
function ahead(it: ReturnType<typeof writtenJournal>, nowS: number, shownS: number) {
  const entries = projectedEntries(it.context, stateOf(it.context, it.entries, nowS), shownS);
  return stateOf(it.context, [...it.entries, ...entries], shownS);
}

describe('The day to come', () => {
  const stages = (time: string, now = '08:00') => {
    const state = ahead(writtenJournal(day, plan), at(now), at(time));
    return ['g1', 'g2'].map((id) => state.guests.get(id)!.stage);
  };

  it('goes as planned: nobody is behind, and no rule is broken', () => {
    expect(stages('09:15')).toEqual(['inClass', 'seen']);
    expect(stages('09:52')).toEqual(['onSighting', 'waiting']);
    expect(stages('10:04')).toEqual(['seen', 'onCircuit']);
    expect(stages('10:33')).toEqual(['onCircuit', 'debriefed']);
    expect(stages('12:00')).toEqual(['debriefed', 'debriefed']);
    for (const time of ['09:30', '10:04', '10:33', '12:00']) {
      const state = ahead(writtenJournal(day, plan), at('08:00'), at(time));
      expect(state.resolved).toEqual([]);
      const { day: known, plan: seen, repair } = planningSnapshotOf(day, plan, state);
      expect(checkPlan(known, seen, repair).violations)
        .withContext(time)
        .toEqual([]);
    }
  });

  it('has the laps, the fuel and the places of cars and crew that go with it', () => {
    const state = ahead(writtenJournal(day, plan), at('08:00'), at('10:40'));
    expect(state.drives.get('d1')!.crossings.length).toBe(5);
    expect([state.cars.get('c1')!.laps, state.crew.get('i1')!.laps]).toEqual([5, 10]);
    const held = writtenJournal(day, plan);
    held.enter('08:30', { kind: 'carHeld', car: 'c2', reason: 'brakes', backAt: at('09:30') });
    expect(ahead(held, at('08:40'), at('09:40')).cars.get('c2')!.heldFor).toBeUndefined();
    const refuelling = ahead(writtenJournal(day, plan), at('08:00'), at('11:04'));
    expect(refuelling.cars.get('c1')!.status).toBe('refuelling');
  });

  it('begins from what is: a drive that is late ends late, and one that should have begun begins now', () => {
    const it = writtenJournal(day, plan);
    it.clear('g2');
    it.enter('10:05', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i1' });
    it.enter('10:09', { kind: 'released', drive: 'd2' });
    const stage = (time: string) => ahead(it, at('10:10'), at(time)).drives.get('d2')!.stage;
    expect([stage('10:14'), stage('10:16'), stage('10:30')]).toEqual(['onCircuit', 'rollingIn', 'done']);
    it.enter('10:10:20', { kind: 'lapCounted', drive: 'd2', source: 'hand' });
    // The second crossing is overdue at this moment: it is made now, and none of the five is lost.
    expect(ahead(it, at('10:11:50'), at('10:30')).drives.get('d2')!.crossings.length).toBe(5);
  });

  it('is told apart from what has happened', () => {
    const it = writtenJournal(day, plan);
    const entries = projectedEntries(it.context, it.state('08:00'), at('12:00'));
    expect(entries.every(({ entry }) => isProjected(entry.id) && entry.at <= at('12:00'))).toBe(true);
    expect(projectedEntries(it.context, it.state('08:00'), at('08:00'))).toEqual([]);
  });
});
