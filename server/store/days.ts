import { planFile, type Plan } from '@core/day';
import type { DaySummary, PlanRevision } from '@core/api';
import type { Db } from '../database';
import * as z from 'zod';
import { MAIN_SURFACE } from './venue';

interface RevisionRow {
  revision: number;
  author: string;
  reason: string;
  accepted_at: string;
}

const revisionOf = ({ accepted_at, ...row }: RevisionRow): PlanRevision => ({
  revision: row.revision,
  author: row.author,
  reason: row.reason,
  acceptedAt: accepted_at,
});

/** Event days and the plans accepted for them. */
export function dayStore(db: Db) {
  const summaries = db.prepare<[], DaySummary>(
    `select event_day.date,
       (select count(*) from booking where booking.date = event_day.date) as bookings,
       (select coalesce(sum(json_array_length(document, '$.drives')), 0) from booking
          where booking.date = event_day.date) as drives,
       (select max(revision) from plan_revision where plan_revision.date = event_day.date) as revision
     from event_day order by date`,
  );
  const exists = db.prepare<[string], { date: string }>('select date from event_day where date = ?');
  const insert = db.prepare('insert into event_day (date, created_at) values (?, ?) on conflict do nothing');
  const columns = 'revision, author, reason, accepted_at';
  const newest = db.prepare<[string, string], RevisionRow & { document: string }>(
    `select ${columns}, document from plan_revision where date = ? and surface = ? order by revision desc limit 1`,
  );
  const revisions = db.prepare<[string, string], RevisionRow>(
    `select ${columns} from plan_revision where date = ? and surface = ? order by revision desc`,
  );
  const insertPlan = db.prepare(
    `insert into plan_revision (date, surface, revision, author, reason, accepted_at, document)
     values (@date, @surface, @revision, @author, @reason, @acceptedAt, @document)`,
  );
  const currentPlan = (date: string): { plan: Plan; revision: PlanRevision } | undefined => {
    const row = newest.get(date, MAIN_SURFACE);
    return row && { plan: planFile.parse(JSON.parse(row.document)), revision: revisionOf(row) };
  };
  return {
    list: (): DaySummary[] => summaries.all(),
    has: (date: string): boolean => exists.get(date) !== undefined,
    /** False where the day is there already. */
    add: (date: string, createdAt: string): boolean => insert.run(date, createdAt).changes > 0,
    currentPlan,
    revisions: (date: string): PlanRevision[] => revisions.all(date, MAIN_SURFACE).map(revisionOf),
    /** Stores a plan as the next revision. */
    acceptPlan: db.transaction(
      (date: string, plan: Plan, by: { author: string; reason: string; acceptedAt: string }): PlanRevision => {
        const revision = (currentPlan(date)?.revision.revision ?? 0) + 1;
        insertPlan.run({
          ...by,
          date,
          surface: MAIN_SURFACE,
          revision,
          document: JSON.stringify(z.encode(planFile, plan)),
        });
        return { revision, ...by };
      },
    ),
  };
}
