/** What a venue needs for its first plan. */
export { firstSteps, type Missing, missingForPlan, type StepName, UNNAMED_VENUE } from './first-steps';
