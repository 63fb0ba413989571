/** Plans a day: what it takes is a day file and, to plan again, the plan before and the time. */
export { planDay, type PlannedDay, type PlanningLimits } from './plan-day';
export { seededRandom, type Random } from './random';
