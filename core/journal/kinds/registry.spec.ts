import type { EntryKind, JournalEntry } from '../entries/entry';
import { isAbout, rulesOf } from './registry';

describe('The registry of entries', () => {
  const entry = (what: object) => ({ id: 'entry-0001', at: 0, by: 'Gate', ...what }) as JournalEntry;
  const drives = new Set(['d1']);

  it('knows whose an entry is: by the guest, by a class, or by a drive', () => {
    const of = (what: object) => isAbout(entry(what), 'g1', drives);
    expect(of({ kind: 'guestArrived', guest: 'g1' })).toBe(true);
    expect(of({ kind: 'guestArrived', guest: 'g2' })).toBe(false);
    expect(of({ kind: 'classBegan', instructor: 'i1', guests: ['g2', 'g1'] })).toBe(true);
    expect(of({ kind: 'released', drive: 'd1' })).toBe(true);
    expect(of({ kind: 'released', drive: 'd2' })).toBe(false);
    expect(of({ kind: 'carReady', car: 'g1' })).toBe(false);
    expect(of({ kind: 'noteTaken', text: 'g1 d1' })).toBe(false);
  });

  it('says which words are a guest’s own, and in which a name may stand', () => {
    const words = (kind: EntryKind): object => rulesOf({ kind }).words;
    expect(words('driveMarked')).toEqual({ own: ['account', 'note'], named: ['good'] });
    expect(words('carHeld')).toEqual({ named: ['reason'] });
    expect(words('released')).toEqual({});
  });
});
