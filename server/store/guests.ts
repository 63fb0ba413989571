import type { FoundGuest } from '@core/api';
import { withoutWord } from '@core/journal';
import type { Db } from './database';

interface PlanTexts {
  rowid: number;
  reason: string;
  document: string;
  despite: string;
}
type JobText = Pick<PlanTexts, 'rowid' | 'document'>;

/** Where somebody's words stand in plans and in what was found: everything else is ids, times and facts. */
const SENTENCES: ReadonlySet<string> = new Set(['reason', 'failure', 'words']);

/** A document with its sentences changed, those of a list of sentences too; nothing else in it is touched. */
function withSentences(value: unknown, change: (text: string) => string): unknown {
  if (Array.isArray(value)) {
    return value.map((one: unknown) =>
      typeof one === 'string' && one.includes(' ') ? change(one) : withSentences(one, change),
    );
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]: [string, unknown]) => [
      key,
      typeof one === 'string' && SENTENCES.has(key) ? change(one) : withSentences(one, change),
    ]),
  );
}

/** No event day lies behind it. */
const LAST_DATE = '9999-12-31';

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
  const plansOf = db.prepare<[string], PlanTexts>(
    'select rowid, reason, document, despite from plan_revision where date = ?',
  );
  const putPlan = db.prepare<[PlanTexts]>(
    'update plan_revision set reason = @reason, document = @document, despite = @despite where rowid = @rowid',
  );
  const jobsOf = db.prepare<[string], JobText>('select rowid, document from plan_job where date = ?');
  const putJob = db.prepare<[JobText]>('update plan_job set document = @document where rowid = @rowid');
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
    /** Bookings of the same person on other days, up to one where given, the last one first. */
    alike: (id: string, upTo = LAST_DATE): { date: string; id: string }[] => alike.all(id, upTo),
    link: (one: string, other: string, madeAt: string): void => void link.run(one, other, madeAt),
    unlink: (one: string, other: string): boolean => unlink.run(one, other, other, one).changes > 0,
    linked: (id: string): string[] => linked.all(id, id).map((row) => row.id),
    /** Puts other words in place of a name in the plans of a day: their reasons, what they left out, what they broke. */
    eraseName: (date: string, name: string, instead: string, erasedAt: string): void => {
      const without = (text: string) => withoutWord(text, name, instead);
      const inDocument = (json: string) => JSON.stringify(withSentences(JSON.parse(json), without));
      for (const { rowid, reason, document, despite } of plansOf.all(date)) {
        putPlan.run({ rowid, reason: without(reason), document: inDocument(document), despite: inDocument(despite) });
      }
      for (const { rowid, document } of jobsOf.all(date)) putJob.run({ rowid, document: inDocument(document) });
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
