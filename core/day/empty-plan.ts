import type { Plan } from './plan-file';

/** A plan of the day in which nothing is planned and nothing left out yet. */
export function emptyPlan(date: string): Plan {
  return {
    format: 'joylap-plan',
    version: 1,
    date,
    briefings: [],
    sightings: [],
    drives: [],
    refuels: [],
    unplanned: [],
  };
}
