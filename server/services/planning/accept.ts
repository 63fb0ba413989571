import { randomUUID } from 'node:crypto';
import type { AcceptedPlan, AcceptPlan } from '@core/api';
import { fact, DAY_S } from '@core/values';
import { judgeOf, type Violation } from '@core/rules';
import type { Day, Plan } from '@core/day';
import { namesOf, wordsIn } from '@words';
import { withGuestsGone, withOwedWaiting, withoutDelays, type PlanningSnapshot } from '@core/journal';
import { refusalOf, Refusal } from '../../base/refusal';
import type { Enter } from '../journal-writer';
import type { Common } from '../common';
import { tellDay } from '../tell-day';

/** A plan may be accepted for so long after the time for which it was made, and so long ahead of it. */
const OLDEST_S = 600;
const LEAD_S = 120;

/** Time of day for which plans are made: a little ahead of now, so that there is time to read them. */
export function planningTimeS(nowS: number): number {
  return nowS > 0 && nowS < DAY_S ? Math.min(DAY_S - 1, nowS + LEAD_S) : Math.min(nowS, DAY_S);
}

/**
 * Accepts a plan as the next revision, in one transaction with its entry in the journal.
 *
 * @param alongside what is stored and entered in the same transaction, before the plan is judged
 * @throws Refusal 409 where the plan was made for another revision or another time, 422 where it breaks a rule that the
 *   current plan keeps and this is not the manager's decision
 */
export function acceptPlan(
  { store, dayCache, journal, hub, clock }: Pick<Common, 'store' | 'dayCache' | 'journal' | 'hub' | 'clock'>,
  date: string,
  { base, plan, asOf, author, reason, despiteRules }: AcceptPlan,
  alongside: (enter: Enter) => void = () => undefined,
): AcceptedPlan {
  const nowS = dayCache.nowS(date);
  if (asOf > nowS + LEAD_S || asOf < nowS - OLDEST_S) {
    throw refusalOf(fact('otherTime', {}, { madeForS: asOf, nowS }));
  }
  const { revision } = dayCache.of(date);
  if ((revision?.revision ?? 0) !== base) {
    if (!revision) throw refusalOf(fact('baseGone', {}));
    const { author: other, reason: why } = revision;
    throw refusalOf(fact('acceptedMeanwhile', {}, { revision: revision.revision, author: other, reason: why }));
  }
  try {
    const accepted = journal.together(date, (enter) => {
      alongside(enter);
      dayCache.forget(date);
      const snapshot = dayCache.snapshot(date, asOf);
      // Laps that have come to be owed since the plan was made wait for a place.
      const whole = withOwedWaiting(plan, dayCache.of(date).owed);
      const { broken } = judgeOf(snapshot.day, snapshot.plan, snapshot.repair).of(
        dayCache.runningPlan(date, whole, snapshot),
      );
      if (broken.length > 0 && !despiteRules) throw brokenRules(broken, snapshot.day);
      const stored = store.days.acceptPlan(
        date,
        withGuestsGone(dayCache.of(date).day, snapshot.day, withoutDelays(whole)),
        { author, reason, acceptedAt: clock.recordedAt(), despite: [...broken] },
      );
      dayCache.forget(date);
      enter({ id: randomUUID(), kind: 'planAccepted', at: nowS, by: author, revision: stored.revision });
      store.planJobs.remove(date);
      return stored;
    });
    tellDay({ dayCache, hub }, date, 'plan');
    return { ...accepted, plan: dayCache.of(date).accepted! };
  } catch (error) {
    // What was read while it was tried is as if it had not been; nobody is told, as nothing has changed.
    dayCache.forget(date);
    throw error;
  }
}

function brokenRules(broken: readonly Violation[], day: Day): Refusal {
  const { violation } = wordsIn('en', namesOf(day));
  return new Refusal(422, `${violation(broken[0]!)}.`, {
    faults: broken.map((one) => ({ path: one.code, message: violation(one) })),
    facts: [...broken],
  });
}

/** A plan made from a snapshot, with the drives and groups that were to begin before and whose fate nobody has decided yet. */
export function withOverdue({ plan: current }: PlanningSnapshot, plan: Plan): Plan {
  const known = new Set([...plan.drives, ...plan.unplanned].map(({ drive }) => drive));
  const groups = new Set([...(plan.groups ?? []), ...(plan.unplannedGroups ?? [])].map(({ group }) => group));
  const overdue = (current.groups ?? []).filter(({ group }) => !groups.has(group));
  return {
    ...plan,
    drives: [...plan.drives, ...current.drives.filter(({ drive }) => !known.has(drive))],
    ...(overdue.length > 0 && { groups: [...(plan.groups ?? []), ...overdue] }),
  };
}
