import type { Db } from './database';

/** Thousandths of a second of the day, metres along the lap, and to the left of the centre line where that is known. */
export type TrackPoint = readonly [atMs: number, atM: number, leftM?: number];

/** So many points become one row: twenty seconds at five a second. */
const POINTS_A_ROW = 100;

/** Positions of cars over a day. What has come last is held back until it fills a row, or somebody asks for it. */
export function trackStore(db: Db) {
  const held = new Map<string, { date: string; car: string; points: TrackPoint[] }>();
  const insert = db.prepare(
    'insert into track (date, car, from_ms, to_ms, points) values (?, ?, ?, ?, ?) on conflict do nothing',
  );
  const read = db.prepare<[string, string, number, number], { points: string }>(
    'select points from track where date = ? and car = ? and to_ms >= ? and from_ms <= ? order by from_ms',
  );
  const prune = db.prepare('delete from track where date < ?');
  const flush = (key: string) => {
    const it = held.get(key);
    if (!it || it.points.length === 0) return;
    insert.run(it.date, it.car, it.points[0]![0], it.points.at(-1)![0], JSON.stringify(it.points));
    held.delete(key);
  };
  return {
    add: (date: string, car: string, atS: number, atM: number, leftM?: number): void => {
      const key = `${date} ${car}`;
      const it = held.get(key) ?? { date, car, points: [] };
      held.set(key, it);
      const point = [Math.round(atS * 1000), tenths(atM)] as const;
      it.points.push(leftM === undefined ? point : [...point, tenths(leftM)]);
      if (it.points.length >= POINTS_A_ROW) flush(key);
    },
    /** Points of a car between two times of a day, in order. */
    between: (date: string, car: string, fromS: number, toS: number): TrackPoint[] => {
      flush(`${date} ${car}`);
      return read
        .all(date, car, fromS * 1000, toS * 1000)
        .flatMap(({ points }) => JSON.parse(points) as TrackPoint[])
        .filter(([atMs]) => atMs >= fromS * 1000 && atMs <= toS * 1000);
    },
    forget: (): void => held.clear(),
    /** Writes down what is held back, as before the end of the program. */
    flushAll: (): void => {
      for (const key of [...held.keys()]) flush(key);
    },
    /** Takes away the positions of all days before one: how many rows that were. */
    forgetBefore: (date: string): number => prune.run(date).changes,
  };
}

/** No tracker is good to more than a tenth of a metre. */
function tenths(metres: number): number {
  return Math.round(metres * 10) / 10;
}
