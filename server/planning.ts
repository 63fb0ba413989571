import { randomUUID } from 'node:crypto';
import type { PlanRevision } from '@core/api';
import type { Plan } from '@core/day';
import { dayAsItIs, withGuestsGone } from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import type { Clock } from './clock';
import type { DayRoom } from './day-room';
import type { Hub } from './live/hub';
import type { Store } from './store';

/** Constructions are tried for this long; other requests wait meanwhile, so it is short. */
const PLANNING_MS = 300;

/**
 * Plans a day and accepts the plan as its next revision. Once the day has begun, what stands in the plan before stays,
 * and the rest is planned around what the journal has shown.
 */
export function planAndAccept(
  { store, room, hub, clock }: { store: Store; room: DayRoom; hub: Hub; clock: Clock },
  date: string,
  by: { author: string; reason: string },
): { plan: Plan; revision: PlanRevision } {
  const { day, plan: previous } = room.of(date);
  const nowS = room.nowS(date);
  const begun = previous !== undefined && nowS > day.opens;
  const known = begun ? dayAsItIs(day, previous, room.stateNow(date)) : day;
  const until = performance.now() + PLANNING_MS;
  const { plan } = planDay(
    known,
    { random: seededRandom(1), expired: () => performance.now() >= until, iterations: 50 },
    begun ? { previous, nowS } : undefined,
  );
  const complete = withGuestsGone(day, known, plan);
  const revision = store.db
    .transaction(() => {
      const accepted = store.days.acceptPlan(date, complete, { ...by, acceptedAt: clock.recordedAt() });
      store.journal.append(
        date,
        {
          id: randomUUID(),
          kind: 'planAccepted',
          at: Math.min(86_399, nowS),
          by: by.author,
          revision: accepted.revision,
        },
        clock.recordedAt(),
      );
      return accepted;
    })
    .immediate();
  room.forget(date);
  hub.changed('plan', date);
  return { plan: complete, revision };
}
