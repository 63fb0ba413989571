import { openDatabase } from './database';
import { trackStore } from './tracks';

describe('Positions of cars', () => {
  it('come back in order, whether they fill a row yet or not, and of that car and time only', () => {
    const db = openDatabase(':memory:');
    db.exec("insert into event_day (date, created_at) values ('2027-05-22', 'now')");
    const tracks = trackStore(db);
    for (let i = 0; i < 250; i++) {
      tracks.add('2027-05-22', 'c1', 36_000 + i / 5, (i * 7) % 2310);
      if (i % 5 === 0) tracks.add('2027-05-22', 'c2', 36_000 + i / 5, i);
    }
    const points = tracks.between('2027-05-22', 'c1', 36_010, 36_048);
    expect(points.length).toBe(191);
    expect(points[0]).toEqual([36_010_000, 350]);
    expect(points.every(([atMs], i) => i === 0 || atMs > points[i - 1]![0])).toBe(true);
    expect(tracks.between('2027-05-22', 'c2', 0, 86_400).length).toBe(50);
    expect(tracks.between('2027-05-23', 'c1', 0, 86_400)).toEqual([]);
    db.close();
  });
});
