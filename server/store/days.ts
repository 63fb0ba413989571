import { planFile, type Plan } from '@core/day';
import { daySetup, type DaySetup } from '@core/venue/settings';
import type { DaySummary, PlanRevision } from '@core/api';
import type { Db } from './database';
import * as z from 'zod';
import { MAIN_SURFACE } from './venue';

interface RevisionRow {
  revision: number;
  author: string;
  reason: string;
  accepted_at: string;
  despite: string;
}

const revisionOf = ({ accepted_at, despite, ...row }: RevisionRow): PlanRevision => ({
  revision: row.revision,
  author: row.author,
  reason: row.reason,
  acceptedAt: accepted_at,
  despite: JSON.parse(despite) as PlanRevision['despite'],
});

/** Who accepted a plan, why and when, and what rules it breaks by that decision. */
type AcceptedBy = Omit<PlanRevision, 'revision' | 'despite'> & { despite?: PlanRevision['despite'] };

/** Event days and the plans accepted for them. */
export function dayStore(db: Db) {
  type SummaryRow = Omit<DaySummary, 'practice' | 'byCalendar'> & { practice: number; by_calendar: number };
  const summaries = db.prepare<[], SummaryRow>(
    `select event_day.date,
       (select count(*) from booking
          where booking.date = event_day.date and document ->> 'cancelled' is null) as bookings,
       (select coalesce(sum(json_array_length(document, '$.drives')), 0) from booking
          where booking.date = event_day.date and document ->> 'cancelled' is null) as drives,
       (select max(revision) from plan_revision where plan_revision.date = event_day.date) as revision,
       practice, by_calendar
     from event_day order by date`,
  );
  const exists = db.prepare<[string], { practice: number }>('select practice from event_day where date = ?');
  const insert = db.prepare(
    'insert into event_day (date, created_at, practice) values (?, ?, ?) on conflict do nothing',
  );
  const insertByCalendar = db.prepare('insert into event_day (date, created_at, by_calendar) values (?, ?, 1)');
  const remove = db.prepare('delete from event_day where date = ?');
  const setup = db.prepare<[string], { setup: string | null; version: number }>(
    'select setup, setup_version as version from event_day where date = ?',
  );
  const updateSetup = db.prepare('update event_day set setup = ?, setup_version = setup_version + 1 where date = ?');
  const columns = 'revision, author, reason, accepted_at, despite';
  const newest = db.prepare<[string, string], RevisionRow & { document: string }>(
    `select ${columns}, document from plan_revision where date = ? and surface = ? order by revision desc`,
  );
  const lastRevision = db.prepare<[string, string], { revision: number }>(
    'select coalesce(max(revision), 0) as revision from plan_revision where date = ? and surface = ?',
  );
  const revisions = db.prepare<[string, string], RevisionRow>(
    `select ${columns} from plan_revision where date = ? and surface = ? order by revision desc`,
  );
  const insertPlan = db.prepare(
    `insert into plan_revision (date, surface, revision, author, reason, accepted_at, despite, document)
     values (@date, @surface, @revision, @author, @reason, @acceptedAt, @despite, @document)`,
  );
  const byRevision = db.prepare<[string, string, number], RevisionRow & { document: string }>(
    `select ${columns}, document from plan_revision where date = ? and surface = ? and revision = ?`,
  );
  type Accepted = { plan: Plan; revision: PlanRevision };
  const accepted = (row: (RevisionRow & { document: string }) | undefined): Accepted | undefined => {
    const plan = row && planFile.safeParse(JSON.parse(row.document)).data;
    return plan && { plan, revision: revisionOf(row) };
  };
  /** The newest plan that can be read. */
  const currentPlan = (date: string): Accepted | undefined => {
    for (const row of newest.iterate(date, MAIN_SURFACE)) {
      const read = accepted(row);
      if (read) return read;
    }
    return undefined;
  };
  const lastNumber = (date: string): number => lastRevision.get(date, MAIN_SURFACE)!.revision;
  return {
    list: (): DaySummary[] =>
      summaries.all().map(({ by_calendar, ...row }) => ({
        ...row,
        practice: row.practice === 1,
        byCalendar: by_calendar === 1,
      })),
    has: (date: string): boolean => exists.get(date) !== undefined,
    isPractice: (date: string): boolean => exists.get(date)?.practice === 1,
    /** False where the day is there already. */
    add: (date: string, createdAt: string, practice = false): boolean =>
      insert.run(date, createdAt, practice ? 1 : 0).changes > 0,
    makeByCalendar: (date: string, createdAt: string): void => void insertByCalendar.run(date, createdAt),
    /** False where something is on the day, which keeps it. */
    removeEmpty: (date: string): boolean => {
      try {
        return remove.run(date).changes > 0;
      } catch (error) {
        if ((error as { code?: string }).code === 'SQLITE_CONSTRAINT_FOREIGNKEY') return false;
        throw error;
      }
    },
    /** What the day has of its own; nothing of it where that cannot be read. */
    setupOf: (date: string): DaySetup => {
      const text = setup.get(date)?.setup;
      return (text && daySetup.safeParse(JSON.parse(text)).data) || {};
    },
    /** Which of its setups that is, from 1. */
    setupVersion: (date: string): number => setup.get(date)?.version ?? 1,
    changeSetup: (date: string, of: DaySetup): void => {
      const text = JSON.stringify(z.encode(daySetup, of));
      updateSetup.run(text === '{}' ? null : text, date);
    },
    currentPlan,
    /** Number of the newest plan, be it readable or not; 0 where there is none. */
    lastNumber,
    planOf: (date: string, revision: number): Accepted | undefined =>
      accepted(byRevision.get(date, MAIN_SURFACE, revision)),
    revisions: (date: string): PlanRevision[] => revisions.all(date, MAIN_SURFACE).map(revisionOf),
    /** Stores a plan as the next revision. */
    acceptPlan: db.transaction((date: string, plan: Plan, { despite = [], ...by }: AcceptedBy): PlanRevision => {
      const revision = lastNumber(date) + 1;
      insertPlan.run({
        ...by,
        date,
        surface: MAIN_SURFACE,
        revision,
        despite: JSON.stringify(despite),
        document: JSON.stringify(z.encode(planFile, plan)),
      });
      return { revision, ...by, despite };
    }),
  };
}
