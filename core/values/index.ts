/** What everything stands on: times, money, facts, fields of a record, and what was wrong with one. Knows nothing of a day. */
export { anyFact, factOf } from './any-fact';
export { fact, type Fact } from './fact';
export { type Fault, faultLine, faultsOf, parseJson } from './faults';
export { durationS, id, lapTimeS, moneyAmount, name, seats, text } from './fields';
export { lenientParse } from './lenient-parse';
export { median } from './median';
export { cents, currencyDecimals, money } from './money';
export { numberIn } from './number-in';
export { type Json, paddedTime, valueAt, windowsOf, windowsText, withValues } from './record-text';
export {
  clockMinute,
  DAY_ENDS_S,
  DAY_S,
  durationOf,
  durationText,
  lapTimeText,
  secondsOf,
  spokenDuration,
  wallClock,
} from './time';
export { eventTime, OVER_MIDNIGHT, timeOfDay, timeWindow, type TimeWindow } from './time-fields';
export { dateIn, type DateOrder, dateOrderOf, timeIn } from './usual-writing';
export {
  byStart,
  type Interval,
  liesInside,
  mergeWindows,
  overlappingPairs,
  overlaps,
  overloads,
  withoutWindows,
} from './windows';
