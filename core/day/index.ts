/** The day file and the plan file, the hard rules and the cost: the contract of planning. */
export * from './activity';
export * from './check-plan';
export { closingAt } from './closing';
export { COST_TERMS, costOf, type Cost, type CostTerm, type TermName } from './cost';
export * from './day-file';
export { fact, type Fact } from './fact';
export { drivesThatDoNotFit, type DriveMisfit } from './fitting-cars';
export * from './faults';
export * from './group';
export { FRIEND_WISHES, wishesOf, type FriendWish, type FriendWishKind } from './friends';
export { guestTimes, type GuestTime } from './guest-times';
export { salvaged, type Salvaged } from './salvaged';
export { judgeOf, violationKey, type Judgement } from './judge-change';
export { ORDINARY_RULES } from './ordinary-rules';
export { emptyPlan, planFile } from './plan-file';
export type {
  Briefing,
  Plan,
  PlanFile,
  PlannedDrive,
  PlannedGroup,
  Refuel,
  Sighting,
  Unplanned,
  UnplannedGroup,
} from './plan-file';
export { RULES, RULE_CODES, type Rule, type RuleCode, type Violation, type ViolationOf } from './rules';
export type { NamedKind } from './rules/complete';
export { cents, currencyDecimals, money } from './money';
export * from './number-in';
export * from './schedule';
export { slipsOf, type Slip, type SlipFact } from './slips';
export { frozenOf, type Dropped, type Obstacle, type Frozen, sameActivity } from './frozen';
export * from './time';
export * from './usual-writing';
export * from './record-text';
export { GROUP_NEEDS, type GroupNeed } from './unplaced';
export type { CarMisfit, LeftOutReason, UnplacedReason } from './unplaced';
export * from './windows';
export { carMisfit } from './rules/car-fit';
export { avoids } from './rules/crew-avoid';
export { sharesLanguage } from './rules/crew-language';
export { mayDo, teachesIn } from './rules/crew-skill';
export { obeysPin } from './rules/pin';
export { passesBetween } from './cost/passes';
export { wishedDrives } from './cost/friends';
