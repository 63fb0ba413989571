import { fact } from '../values';
import { aDay, aGuest, aPlan, drive } from '../testing/small-day';
import { writtenJournal } from '../testing/written-journal';
import { stationOf } from './stations';

describe('Where a guest is to be found', () => {
  const day = aDay({
    guests: [
      aGuest({ briefed: true, sighted: true, drives: ['d1', 'd2'].map((id) => ({ id, cars: ['c1'], laps: 5 })) }),
    ],
  });
  const at = (plan: Parameters<typeof writtenJournal>[1], driven: boolean) => {
    const it = writtenJournal(day, plan);
    it.clear('g1');
    if (driven) {
      it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
      it.enter('10:00', { kind: 'released', drive: 'd1' });
      it.enter('10:08', { kind: 'parked', drive: 'd1' });
      it.enter('10:10', { kind: 'debriefed', drive: 'd1' });
    }
    const state = it.state('10:20');
    return stationOf(state.guests.get('g1')!, state);
  };
  const leftOut = (id: string) => ({ drive: id, reason: fact('owed', {}, { since: 0 }) });

  it('is the pit exit as long as a drive with a place is to come, and the desk where none has one', () => {
    const both = [drive('10:00'), drive('11:00', { drive: 'd2' })];
    expect(at(aPlan({ drives: both }), true)).toBe('pitExit');
    const one = aPlan({ drives: [drive('10:00')], unplanned: [leftOut('d2')] });
    expect(at(one, false)).toBe('pitExit');
    expect(at(one, true)).toBe('desk');
    // Before the day has a plan, nobody is left out of it.
    expect(at(aPlan({ drives: [], unplanned: [leftOut('d1'), leftOut('d2')] }), false)).toBe('pitExit');
  });
});
