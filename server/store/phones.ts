import { phoneReport, type PhoneReport } from '@core/api';
import type { Db } from './database';

/** A phone as its row stands; `report` is the JSON of a `PhoneReport`. */
export interface PhoneRow {
  id: string;
  name: string;
  token_hash: string;
  added_at: string;
  seen_at: string | null;
  report: string | null;
  handed_to: string | null;
  /** 1 where its token was given by HTTPS and is taken by nothing else. */
  secure: 0 | 1;
  /** Since when it is put out; it stays until it has handed over what waited on it. */
  put_out_at: string | null;
}

/** What a phone said of itself last; nothing where that cannot be read. */
export function reportOf({ report }: Pick<PhoneRow, 'report'>): PhoneReport | undefined {
  return report === null ? undefined : phoneReport.safeParse(JSON.parse(report)).data;
}

/** Phones and tablets that were let in. */
export function phoneStore(db: Db) {
  const all = db.prepare<[], PhoneRow>('select * from phone where put_out_at is null order by name, added_at');
  const one = db.prepare<[string], PhoneRow>('select * from phone where id = ? and put_out_at is null');
  const byToken = db.prepare<[string], PhoneRow>('select * from phone where token_hash = ?');
  const insert = db.prepare(
    'insert into phone (id, name, token_hash, added_at, secure) values (@id, @name, @token_hash, @added_at, @secure)',
  );
  const update = db.prepare(
    `update phone set name = @name, token_hash = @token_hash, seen_at = @seen_at, report = @report, handed_to = @handed_to,
       secure = @secure, put_out_at = @put_out_at where id = @id`,
  );
  const remove = db.prepare('delete from phone where id = ?');
  return {
    list: (): PhoneRow[] => all.all(),
    get: (id: string): PhoneRow | undefined => one.get(id),
    withToken: (hash: string): PhoneRow | undefined => byToken.get(hash),
    add: (phone: Pick<PhoneRow, 'id' | 'name' | 'token_hash' | 'added_at' | 'secure'>): void => void insert.run(phone),
    put: (row: PhoneRow): void => void update.run(row),
    remove: (id: string): boolean => remove.run(id).changes > 0,
  };
}
