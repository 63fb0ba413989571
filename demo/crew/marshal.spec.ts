import { aDay, aGuest, aPlan, at, drive } from '@core/testing/small-day';
import { writtenJournal, type EntryFields } from '@core/testing/written-journal';
import { asSoonAsAllowed, atPitExit } from './marshal';
import { BY_LOOP, Memory } from './scene';

describe('The marshal of the crew', () => {
  it('has a sighting run back that nothing has seen come past, once it must be in', () => {
    const day = aDay({ guests: [aGuest({ sighted: false })] });
    const it = writtenJournal(day, aPlan({ drives: [] }));
    const enter = (time: string, fields: EntryFields) => expect(it.enter(time, fields)).toMatch(/^entry/);
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      enter('09:00', { kind, guest: 'g1' });
    }
    enter('10:00', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i1', guests: ['g1'] });
    const ended = (atS: number) => {
      const state = Object.assign(it.state('18:00'), { timeS: atS });
      const scene = new Memory(1).scene(it.context, state, atS, BY_LOOP);
      return [...atPitExit(scene, asSoonAsAllowed)].some(({ fields }) => fields.kind === 'sightingEnded');
    };
    const { laps } = day.rules.sighting;
    const driven = at('10:00') + laps * day.sightingVehicles[0]!.lapTimeS;
    expect([ended(driven + 20), ended(driven + 3 * day.sightingVehicles[0]!.lapTimeS)]).toEqual([false, true]);
  });

  it('taps for the moment at which the car came past, however late the look', () => {
    const it = writtenJournal(aDay(), aPlan({ drives: [drive('10:00')] }));
    const enter = (time: string, fields: EntryFields) => expect(it.enter(time, fields)).toMatch(/^entry/);
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      enter('09:00', { kind, guest: 'g1' });
    }
    enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    enter('10:00', { kind: 'released', drive: 'd1' });
    enter('10:01:30', { kind: 'lineCrossed', car: 'c1', ms: 400 });
    // A seed with which this tap is not forgotten.
    const look = (time: string) => {
      const state = it.state(time);
      const scene = new Memory(1).scene(it.context, state, state.timeS, BY_LOOP);
      return [...atPitExit(scene, asSoonAsAllowed)].filter(({ fields }) => fields.kind === 'lapCounted');
    };
    expect(look('10:01:31')).toEqual([]);
    for (const time of ['10:01:32', '10:02:40']) {
      expect(look(time).map(({ atS }) => atS)).toEqual([36092]);
    }
  });
});
