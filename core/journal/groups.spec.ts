import { driftOf } from '../live/drift';
import { gathered, TRAIN_DAY, TRAIN_PLAN } from '../testing/gathered-train';
import { at } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { EVEN_RING, runnersOf } from '../live/traffic';
import { lapsLed } from './state/group-state';
import { planningSnapshotOf } from './plan-again';
import { vehiclesOnCircuit } from './state/day-state';

describe('A group in the journal', () => {
  it('keeps what was said of the distance, and of which car the radio answered', () => {
    const it = gathered();
    it.enter('09:52', { kind: 'radioTested', group: 'train', guest: 'g1', answered: true });
    it.enter('09:53', { kind: 'radioTested', group: 'train', guest: 'g2', answered: false });
    expect(it.enter('09:54', { kind: 'spacingCalled', group: 'train', guest: 'g1', say: 'closer' })).toBe(
      'Group train is in the cars and has not been let out: "Spacing" has no place there.',
    );
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    it.enter('10:02', { kind: 'spacingCalled', group: 'train', guest: 'g1', say: 'closer' });
    it.enter('10:05', { kind: 'radioLost', group: 'train', guest: 'g1' });
    const { groups, cars } = it.state('10:06');
    expect(groups.get('train')!.members.get('g1')!.spacing).toEqual(['closer']);
    expect([...cars.values()].map(({ radio }) => radio?.works)).toEqual([false, false, undefined, undefined]);
  });

  it('holds guests, cars and people from the seat to the end, and lets all of them go', () => {
    const it = gathered();
    const sitting = it.state('09:55');
    expect(it.stage('09:55')).toBe('seated');
    expect([...sitting.cars.values()].map(({ status }) => status)).toEqual(['seated', 'seated', 'seated', 'seated']);
    expect(sitting.crew.get('i1')!.status).toBe('busy');
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    expect(it.stage('10:01')).toBe('onCircuit');
    expect(vehiclesOnCircuit(it.state('10:01'))).toBe(4);
    it.enter('10:20', { kind: 'groupEnded', group: 'train' });
    const over = it.state('10:21');
    expect([over.cars.get('c2')!.group, over.crew.get('i1')!.busyWith, over.guests.get('g3')!.heldBy]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(it.stage('10:21')).toBe('debriefed');
  });

  it('counts for each guest the laps behind the leader, in the order that was driven', () => {
    const it = gathered();
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    it.enter('10:02', { kind: 'groupLapCounted', group: 'train' });
    it.enter('10:02', { kind: 'groupOrdered', group: 'train', order: ['g2', 'g3', 'g1'] });
    it.enter('10:04', { kind: 'groupLapCounted', group: 'train' });
    it.enter('10:05', { kind: 'memberOut', group: 'train', guest: 'g2', why: 'dropsBack' });
    it.enter('10:06', { kind: 'groupLapCounted', group: 'train' });
    const group = it.state('10:07').groups.get('train')!;
    expect(['g1', 'g2', 'g3'].map((guest) => lapsLed(group, guest))).toEqual([1, 1, 1]);
    expect(it.enter('10:08', { kind: 'memberBack', group: 'train', guest: 'g2' })).toMatch(/^entry/);
    expect(it.state('10:09').groups.get('train')!.order).toEqual(['g3', 'g1', 'g2']);
  });

  it('refuses in a sentence what cannot be', () => {
    const it = gathered();
    expect(it.enter('09:52', { kind: 'seated', drive: 'none', car: 'c1', instructor: 'i2' })).toContain('no drive');
    expect(it.enter('09:53', { kind: 'carHeld', car: 'c1', reason: 'tyre' })).toMatch(/^entry|guest in it/);
    expect(it.enter('09:54', { kind: 'groupLapCounted', group: 'train' })).toContain('has not been let out');
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    it.enter('10:05', { kind: 'memberOut', group: 'train', guest: 'g1', why: 'leaves' });
    expect(it.enter('10:06', { kind: 'memberBack', group: 'train', guest: 'g1' })).toContain('has left the group');
    expect(it.stage('10:07')).toBe('debriefed');
  });

  it('runs on the circuit as one car behind the other, for whoever waits at the exit', () => {
    const it = gathered();
    it.enter('10:00', { kind: 'groupReleased', group: 'train' });
    const runners = runnersOf(it.context, it.state('10:01'), EVEN_RING);
    expect(runners.map(({ kind, vehicle }) => `${kind} ${vehicle}`)).toEqual([
      'train c4',
      'train c1',
      'train c2',
      'train c3',
    ]);
    for (const [place, { progress }] of runners.slice(1).entries()) {
      expect(progress).toBeLessThan(runners[place]!.progress);
    }
  });

  it('that begins late is expected late, and stands as it began when the day is planned again', () => {
    const it = gathered();
    it.enter('10:10', { kind: 'groupReleased', group: 'train' });
    const state = it.state('10:12');
    const expected = driftOf(it.context, state).expected.get('group train')!;
    expect([expected.phase, expected.releaseS]).toEqual(['running', at('10:10')]);
    expect(expected.lateS).toBeGreaterThan(500);
    const { from } = planningSnapshotOf(TRAIN_DAY, TRAIN_PLAN, state);
    expect(from.previous.groups![0]!.release).toBe(at('10:10'));
  });

  it('that has not begun waits for its cars and people, as the drift says', () => {
    const it = writtenJournal(TRAIN_DAY, TRAIN_PLAN);
    it.enter('09:30', { kind: 'guestArrived', guest: 'g1' });
    const expected = driftOf(it.context, it.state('09:55')).expected.get('group train')!;
    expect([expected.phase, expected.startS >= at('09:55')]).toEqual(['toCome', true]);
  });
});
