import { aDay, aGuest, aPlan, drive } from '../../testing/small-day';
import { writtenJournal, type EntryFields } from '../../testing/written-journal';
import { guestResult } from './results';
import { vocabularyOf } from './vocabulary';

describe('What a guest takes home', () => {
  it('says of a drive that was broken off which laps are still owed, until they are driven', () => {
    const day = aDay({ guests: [aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5 }] })] });
    const it = writtenJournal(day, aPlan({ drives: [drive('10:00')] }));
    it.clear('g1');
    it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    it.enter('10:00', { kind: 'released', drive: 'd1' });
    it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:02', { kind: 'brokenOff', drive: 'd1', reason: 'fault' });
    const result = guestResult(it.context, it.state('10:30'), 'g1', vocabularyOf([]))!;
    expect(result.drives.map(({ owed }) => owed)).toEqual([4]);
  });

  it('says of a fault that it was worked on or that it is no longer, never both', () => {
    const guest = aGuest({ drives: ['d1', 'd2'].map((id) => ({ id, cars: ['c1'], laps: 5 })) });
    const plan = aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2' })] });
    const it = writtenJournal(aDay({ guests: [guest] }), plan);
    const enter = (time: string, fields: EntryFields) => expect(it.enter(time, fields)).toMatch(/^entry/);
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      enter('09:00', { kind, guest: 'g1' });
    }
    const driven = (id: string, seated: string, released: string, ...faults: string[]) => {
      enter(seated, { kind: 'seated', drive: id, car: 'c1', instructor: 'i1' });
      enter(released, { kind: 'released', drive: id });
      enter(`${released}:50`, { kind: 'lapCounted', drive: id, source: 'hand' });
      const marks = faults.map((fault) => ({ fault }));
      enter(`${released.slice(0, 3)}20`, { kind: 'parked', drive: id });
      enter(`${released.slice(0, 3)}21`, { kind: 'driveMarked', drive: id, marks });
      enter(`${released.slice(0, 3)}30`, { kind: 'debriefed', drive: id });
    };
    driven('d1', '09:56', '10:00', 'rough', 'eyes-near');
    driven('d2', '10:56', '11:00', 'rough');
    const { drives, noLonger } = guestResult(it.context, it.state('12:00'), 'g1', vocabularyOf([]))!;
    expect(drives.map(({ workedOn }) => workedOn.map(({ id }) => id))).toEqual([['rough'], ['rough']]);
    expect(noLonger.map(({ id }) => id)).toEqual(['eyes-near']);
  });
});
