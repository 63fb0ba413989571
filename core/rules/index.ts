/** The hard rules, and the verdict on a plan. */
export { carMisfit, misfitOfSize } from './car-fit';
export { belowReserve } from './car-fuel';
export { checkPlan } from './check-plan';
export type { NamedKind } from './complete';
export { avoids } from './crew-avoid';
export { sharesLanguage } from './crew-language';
export { mealGap, owedMeal } from './crew-meal';
export { overworkedOccupancy } from './crew-rest';
export { mayDo, teachesIn } from './crew-skill';
export { drivesThatDoNotFit } from './fitting-cars';
export { type Dropped, frozenOf, type Obstacle, sameActivity } from './frozen';
export { type Judgement, judgeOf, violationKey } from './judge-change';
export { type RuleCode, RULES, type Violation, type ViolationOf } from './rules';
export { onCircuit } from './track-load';
