import type { Day, Plan, Repair } from '@core/day';
import { improve, planDay, seededRandom, type PlannedDay, type PlanningOptions } from '@core/planner';

/** What the planner is asked to do. */
export interface PlannerOrder {
  readonly day: Day;
  /** Set where the day has begun, or where what can stay is to stay. */
  readonly repair?: Repair | undefined;
  /** The plan to begin with, where that is neither none nor the one before the repair. */
  readonly from?: Plan | undefined;
  /** How long to look; with neither limit a first plan is made and left as it is. */
  readonly seconds?: number | undefined;
  readonly iterations?: number | undefined;
  readonly seed: number;
}

/** The one way in which command line and worker thread run the planner: with a real clock and a seed. */
export function runPlanner(
  { day, repair, from, seconds, iterations, seed }: PlannerOrder,
  hooks: Pick<PlanningOptions, 'cancelled' | 'least' | 'onProgress' | 'elsewhere'> = {},
): PlannedDay {
  const now = () => performance.now();
  const options = {
    ...hooks,
    random: seededRandom(seed),
    ...(iterations === undefined ? {} : { iterations }),
    ...(seconds === undefined ? {} : { deadline: { now, untilMs: now() + seconds * 1000 } }),
  };
  return from ? improve(day, from, options, repair) : planDay(day, options, repair);
}
