import { aGroup, STATIONS, TRAIN } from '../testing/group-days';
import { groupAdviceWords } from '@words/en/train';
import { adviceFor } from './advice';

const told = (laps: number, people: number, after: number | 'onCall', cars = people) =>
  adviceFor(
    aGroup({
      id: 'g',
      members: Array.from({ length: people }, (_, i) => `g${i}`),
      cars: ['c'],
      programme: { ...TRAIN, laps, change: { ...TRAIN.change, after } },
    }),
    cars,
  ).map(groupAdviceWords);

describe('Advice about a group', () => {
  it('has nothing to say of numbers that come out even', () => {
    expect(told(8, 4, 2)).toEqual([]);
    expect(told(4, 4, 'onCall')).toEqual([]);
  });

  it('says that the order does not come back, and offers the nearest that does', () => {
    expect(told(10, 4, 1)).toEqual(['With 10 laps the order at the start does not come back; 8 or 12 come out even.']);
  });

  it('says when the venue’s rhythm would leave somebody out', () => {
    expect(told(6, 4, 2)[0]).toBe(
      'Changing every 2 laps would leave somebody out, so the changes come after 2, 2, 1, 1 laps.',
    );
  });

  it('says what to do with too few cars, too many people, and one alone', () => {
    expect(told(8, 3, 1, 2)[0]).toContain('3 cars are needed and 2 are there');
    expect(told(8, 7, 1)[0]).toContain('7 guests are too many behind one leader');
    expect(told(8, 1, 1)[0]).toContain('follows nobody');
    const few = aGroup({ id: 'g', members: ['a', 'b'], cars: ['c'], programme: STATIONS });
    expect(adviceFor(few, 3).map(groupAdviceWords)).toEqual(['2 guests cannot be 3 teams: take fewer teams.']);
  });
});
