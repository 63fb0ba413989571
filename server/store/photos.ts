import type { Db } from '../database';

export interface Photo {
  readonly type: string;
  readonly bytes: Buffer;
}

/** Pictures of faults and of the show; kept as they were sent, never changed. */
export function photoStore(db: Db) {
  const one = db.prepare<[string], Photo>('select type, bytes from photo where id = ?');
  const insert = db.prepare(
    'insert into photo (id, type, bytes, made_at) values (?, ?, ?, ?) on conflict (id) do nothing',
  );
  return {
    get: (id: string): Photo | undefined => one.get(id),
    /** A picture sent twice is kept once. */
    add: (id: string, { type, bytes }: Photo, madeAt: string): void => void insert.run(id, type, bytes, madeAt),
  };
}
