/** What a plan costs, term by term. */
export { type Cost, COST_TERMS, costOf } from './cost';
export { wishedDrives } from './friends';
export { UNNOTICED_S } from './moved';
export { passesBetween } from './passes';
export type { TermName } from './term';
export { LONG_WAIT_MIN, waitOfGap } from './waiting';
