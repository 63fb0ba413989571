import { aDay, aGuest, aPlan } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { sentFor } from './sent-for';

describe('Somebody who is missing at a class', () => {
  const venueDay = aDay({ guests: [aGuest({ briefed: false })] });
  const sent = { kind: 'guestSentFor', guest: 'g1', instructor: 'i1' } as const;
  const found = { kind: 'guestFound', guest: 'g1' } as const;
  const begin = () => {
    const it = writtenJournal(venueDay, aPlan({ drives: [] }));
    it.enter('09:00', { kind: 'guestArrived', guest: 'g1' });
    return { it, of: (time: string) => sentFor(it.state(time).guests.get('g1')!) };
  };

  it('is sent for until found, and until the next step shows where they are', () => {
    const { it: day, of } = begin();
    expect(day.enter('09:22', sent, 'Anselm Holt')).toMatch(/^entry/);
    expect(of('09:23')).toEqual(jasmine.objectContaining({ by: 'Anselm Holt', instructor: 'i1', foundS: undefined }));
    expect(day.enter('09:24', found)).toMatch(/^entry/);
    expect(of('09:25')!.foundS).toBe(9 * 3600 + 24 * 60);
    day.enter('09:26', { kind: 'waiverSigned', guest: 'g1' });
    expect(of('09:27')).toBeUndefined();
  });

  it('is found only where somebody has sent for them, and not sent for out of a class', () => {
    const { it: day } = begin();
    expect(day.enter('09:21', found)).toContain('Nobody has sent for');
    for (const kind of ['waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
      day.enter('09:22', { kind, guest: 'g1' });
    day.enter('09:23', { kind: 'classBegan', instructor: 'i1', guests: ['g1'] });
    expect(day.enter('09:24', sent)).not.toMatch(/^entry/);
  });
});
