import { FakeDay } from '../../testing/fake-day';
import { day, plan } from '../../testing/two-drives';
import { historyOf } from './history';

describe('What was entered about somebody', () => {
  const data = () => {
    const it = new FakeDay(day, plan, '09:30');
    it.clear('g1', '09:00');
    it.record({ kind: 'noteTaken', text: 'wears glasses', guest: 'g1' }, '09:10');
    it.record({ kind: 'noteTaken', text: 'somebody else', guest: 'g2' }, '09:05');
    it.undo(it.written()[3]!.entry.id);
    return it.written();
  };
  const about = (guest: string) => (entry: { kind: string }) => 'guest' in entry && entry.guest === guest;

  it('stands in the order in which it happened, not in that in which it was entered', () => {
    const reversed = [...data()].reverse();
    const times = historyOf(reversed, 86_400, about('g1')).map(({ at }) => at);
    expect(times).toEqual([...times].sort());
    expect(times.at(-1)).toBe('09:10');
  });

  it('is about that one alone, and up to the time that is asked for', () => {
    expect(historyOf(data(), 86_400, about('g2')).length).toBe(1);
    expect(historyOf(data(), 9 * 3600, about('g1')).length).toBe(4);
    expect(historyOf(data(), 9 * 3600 - 1, about('g1'))).toEqual([]);
  });

  it('keeps what was taken back, with who did it', () => {
    const told = historyOf(data(), 86_400, about('g1'));
    expect(told.filter(({ takenBackBy }) => takenBackBy === 'Test').length).toBe(1);
    expect(told.every(({ words, by }) => words.length > 0 && by === 'Test')).toBeTrue();
  });
});
