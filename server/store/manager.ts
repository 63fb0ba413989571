import type { PairingReason } from '@core/api';
import type { Db } from './database';

/** What the manager alone sees, and the code that shows who that is. */
export function managerStore(db: Db) {
  const hash = db.prepare<[], { hash: string }>('select hash from manager_code where id = 1');
  const setHash = db.prepare(
    'insert into manager_code (id, hash) values (1, ?) on conflict (id) do update set hash = excluded.hash',
  );
  const reasons = db.prepare<[string], PairingReason>(
    'select instructor, reason from pairing_reason where booking = ? order by instructor',
  );
  const forget = db.prepare('delete from pairing_reason where booking = ?');
  const insert = db.prepare('insert into pairing_reason (booking, instructor, reason) values (?, ?, ?)');
  return {
    hash: (): string | undefined => hash.get()?.hash,
    setHash: (value: string): void => void setHash.run(value),
    reasons: (booking: string): PairingReason[] => reasons.all(booking),
    /** Puts these reasons in place of all that a booking has. */
    changeReasons: db.transaction((booking: string, list: readonly PairingReason[]): void => {
      forget.run(booking);
      for (const { instructor, reason } of list) insert.run(booking, instructor, reason);
    }),
  };
}
