import type { FoundGuest } from '@core/api';
import type { Db } from '../database';

/** Who of other days is the same person: by e-mail, by name with birthday, or because somebody has said so. */
export function guestStore(db: Db) {
  const alike = db.prepare<[string, string], { date: string; id: string }>(`
    select distinct other.date, other.id
    from booking as own join booking as other on other.id <> own.id
    where own.id = ? and other.date <> own.date and other.date <= ? and (
      lower(json_extract(other.document, '$.email')) = lower(json_extract(own.document, '$.email'))
      or (lower(json_extract(other.document, '$.name')) = lower(json_extract(own.document, '$.name'))
        and json_extract(other.document, '$.birthday') = json_extract(own.document, '$.birthday'))
      or exists (
        select 1 from guest_link as link
        where (link.one = own.id and link.other = other.id) or (link.one = other.id and link.other = own.id)
      )
    )
    order by other.date desc`);
  const find = db.prepare<[{ like: string }], FoundGuest>(`
    select id, date, document ->> 'name' as name, reference, document ->> 'email' as email
    from booking
    where document ->> 'name' like @like escape '!' or reference like @like escape '!'
      or document ->> 'email' like @like escape '!'
    order by date desc, name limit 30`);
  const link = db.prepare('insert into guest_link (one, other, made_at) values (?, ?, ?) on conflict do nothing');
  const unlink = db.prepare('delete from guest_link where (one = ? and other = ?) or (one = ? and other = ?)');
  const linked = db.prepare<[string, string], { id: string }>(
    'select case when one = ? then other else one end as id from guest_link where ? in (one, other)',
  );
  const erase = db.prepare('insert into erasure (entry_id, erased_at) values (?, ?) on conflict do nothing');
  const plansWithName = db.prepare(
    `update plan_revision set reason = replace(reason, @name, @instead), document = replace(document, @jsonName, @jsonInstead),
       despite = replace(despite, @jsonName, @jsonInstead)
     where date = @date`,
  );
  const jobsWithName = db.prepare(
    'update plan_job set document = replace(document, @jsonName, @jsonInstead) where date = @date',
  );
  // A row of its own, so that it is told where no entry held any words.
  const lastErasure = db.prepare(
    `insert into erasure (entry_id, erased_at) values ('-', ?)
     on conflict (entry_id) do update set erased_at = excluded.erased_at`,
  );
  const newestErasure = db.prepare<[], { at: string | null }>('select max(erased_at) as at from erasure');
  const change = db.prepare('update journal_entry set document = ? where id = ?');
  return {
    /** Bookings of all days with a text in their name, reference or e-mail, the latest day first; thirty at most. */
    find: (text: string): FoundGuest[] => find.all({ like: `%${text.replace(/[!%_]/g, '!$&')}%` }),
    /** Bookings of earlier days of the same person, the last one first. */
    before: (id: string, upTo: string): { date: string; id: string }[] => alike.all(id, upTo),
    link: (one: string, other: string, madeAt: string): void => void link.run(one, other, madeAt),
    unlink: (one: string, other: string): boolean => unlink.run(one, other, other, one).changes > 0,
    linked: (id: string): string[] => linked.all(id, id).map((row) => row.id),
    /** Puts other words in place of a name in the plans of a day: their reasons, what they left out, what they broke. */
    eraseName: (date: string, name: string, instead: string, erasedAt: string): void => {
      const escaped = (text: string) => JSON.stringify(text).slice(1, -1);
      plansWithName.run({ date, name, instead, jsonName: escaped(name), jsonInstead: escaped(instead) });
      jobsWithName.run({ date, jsonName: escaped(name), jsonInstead: escaped(instead) });
      lastErasure.run(erasedAt);
    },
    /** When somebody was erased last; devices that kept a day from before forget it. */
    erasedAt: (): string | null => newestErasure.get()?.at ?? null,
    /** Puts another document in place of an entry's, for good. Only for words and names that somebody has the right to have erased. */
    erase: (entryId: string, document: string, erasedAt: string): void => {
      erase.run(entryId, erasedAt);
      change.run(document, entryId);
    },
  };
}
