import type { ListWord } from '@core/api';
import type { Db } from './database';

/** What words of the venue's booking lists mean, as it was said once. */
export function listWordStore(db: Db) {
  const all = db.prepare<[], ListWord>('select kind, word, means from list_word order by kind, word');
  const put = db.prepare(
    `insert into list_word (kind, word, means) values (@kind, @word, @means)
     on conflict (kind, word) do update set means = excluded.means`,
  );
  return {
    list: (): ListWord[] => all.all(),
    keep: db.transaction((words: readonly ListWord[]): void => {
      for (const word of words) put.run(word);
    }),
  };
}
