import type { Db } from './database';

export interface Photo {
  readonly type: string;
  readonly bytes: Buffer;
}

/** All pictures together may take this much. */
export const MOST_PHOTO_BYTES = 1_000_000_000;

/** Pictures of cars, of faults and of the show; kept as they were sent, never changed. */
export function photoStore(db: Db) {
  const one = db.prepare<[string], Photo>('select type, bytes from photo where id = ?');
  const insert = db.prepare(
    'insert into photo (id, type, bytes, made_at) values (?, ?, ?, ?) on conflict (id) do nothing',
  );
  const size = db.prepare<[], { bytes: number }>('select coalesce(sum(length(bytes)), 0) as bytes from photo');
  const forget = db.prepare(
    `delete from photo where made_at < ?
       and id not in (select document ->> 'photo' from journal_entry where document ->> 'photo' is not null)
       and id not in (select document ->> 'photo' from car where document ->> 'photo' is not null)
       and not exists (select 1 from show where instr(show.document, photo.id) > 0)`,
  );
  return {
    get: (id: string): Photo | undefined => one.get(id),
    /** A picture sent twice is kept once; false where all pictures together would take too much. */
    add: (id: string, { type, bytes }: Photo, madeAt: string): boolean => {
      if (one.get(id)) return true;
      if (size.get()!.bytes + bytes.length > MOST_PHOTO_BYTES) return false;
      insert.run(id, type, bytes, madeAt);
      return true;
    },
    /** Takes away pictures made before a date that no car, no fault and no slide shows: how many. */
    forgetLoose: (before: string): number => forget.run(before).changes,
  };
}
