/** Where the day is heading as things stand: what begins later, why, and what may follow by itself. */
export { asked } from './asked';
export * from './broken';
export * from './causes';
export { driftOf } from './drift';
export { laterBy } from './later';
export { slideCauses, slideDue, slideOf, slideOfLine, somebodyEnters, type SlideTimes } from './slide';
export { headingOf, waysOut, type Heading, type WayOut, type WayOutChange } from './ways-out';
export { slackOf } from './slack';
export { startsOf, type Start } from './starts';
export { keyOf, type Blocked, type Drift, type Expected, type Stuck, type Waited } from './expected';
