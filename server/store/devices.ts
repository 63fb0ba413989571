import type { Db } from './database';

/** A device as its row stands. */
export interface DeviceRow {
  id: string;
  name: string;
  kind: 'timing' | 'tracker';
  key: string;
  last_seq: number;
  heard_at: string | null;
  accepted: number;
  malformed: number;
  unsigned: number;
  replayed: number;
  unusable: number;
  last_refusal: string | null;
  /** Tells the numbers of this device from those of one that had its id before; empty where there was none to tell. */
  series: string;
}

/** Timing loops and trackers. */
export function deviceStore(db: Db) {
  const all = db.prepare<[], DeviceRow>('select * from device order by id');
  const one = db.prepare<[string], DeviceRow>('select * from device where id = ?');
  const insert = db.prepare(
    'insert or ignore into device (id, name, kind, key, series) values (@id, @name, @kind, @key, @series)',
  );
  const remove = db.prepare('delete from device where id = ?');
  const update = db.prepare(
    `update device set last_seq = @last_seq, heard_at = @heard_at, accepted = @accepted, malformed = @malformed,
       unsigned = @unsigned, replayed = @replayed, unusable = @unusable, last_refusal = @last_refusal
     where id = @id`,
  );
  return {
    list: (): DeviceRow[] => all.all(),
    get: (id: string): DeviceRow | undefined => one.get(id),
    /** False where the id is taken. */
    add: (device: Pick<DeviceRow, 'id' | 'name' | 'kind' | 'key' | 'series'>): boolean =>
      insert.run(device).changes > 0,
    remove: (id: string): boolean => remove.run(id).changes > 0,
    /** Writes what has been heard of a device. */
    put: (row: DeviceRow): void => void update.run(row),
  };
}
