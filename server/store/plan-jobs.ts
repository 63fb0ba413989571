import { planJob, type PlanJob } from '@core/api';
import * as z from 'zod';
import type { Db } from './database';

/** The plan that is being looked for on each day, or was found last; kept so that a restart can tell what became of it. */
export function planJobStore(db: Db) {
  const one = db.prepare<[string], { document: string }>('select document from plan_job where date = ?');
  const put = db.prepare(
    `insert into plan_job (date, id, document) values (@date, @id, @document)
     on conflict (date) do update set id = excluded.id, document = excluded.document`,
  );
  const remove = db.prepare('delete from plan_job where date = ?');
  const interrupt = db.prepare(
    `update plan_job set document = json_set(document, '$.state', 'interrupted')
     where json_extract(document, '$.state') = 'running'`,
  );
  return {
    get: (date: string): PlanJob | undefined => {
      const row = one.get(date);
      // One that cannot be read is none: it can be looked for again.
      return row && planJob.safeParse(JSON.parse(row.document)).data;
    },
    put: (date: string, job: PlanJob): void => {
      put.run({ date, id: job.id, document: JSON.stringify(z.encode(planJob, job)) });
    },
    remove: (date: string): boolean => remove.run(date).changes > 0,
    /** Called at the start: what was running when the server stopped has been interrupted. */
    interruptAll: (): void => void interrupt.run(),
  };
}
