/** The day file and the plan file, the hard rules and the cost: the contract of planning. */
export * from './check-plan';
export { COST_TERMS, costOf, type Cost, type CostTerm, type TermName } from './cost';
export * from './day-file';
export * from './faults';
export { ORDINARY_RULES } from './ordinary-rules';
export { emptyPlan, planFile } from './plan-file';
export type { Briefing, Plan, PlanFile, PlannedDrive, Refuel, Sighting, Unplanned } from './plan-file';
export { RULES, type Rule, type RuleCode, type Violation } from './rules';
export * from './schedule';
export { standingOf, type Standing } from './standing';
export * from './time';
export * from './windows';
export { carMisfit } from './rules/car-fit';
export { avoids } from './rules/crew-avoid';
export { sharesLanguage } from './rules/crew-language';
export { teachesIn } from './rules/crew-skill';
export { obeysPin } from './rules/pin';
export { passesBetween } from './cost/passes';
