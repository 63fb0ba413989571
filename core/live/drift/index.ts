/** Where the day is heading as things stand: what begins later, why, and what may follow by itself. */
export { asked } from './asked';
export { brokenAhead, type BrokenLine, byCause } from './broken';
export { causesOf, type DriftCause, type DriftLine, latestOf, NOTICED_S } from './causes';
export { driftOf } from './drift';
export { type Drift, keyOf } from './expected';
export { laterBy } from './later';
export { slackOf } from './slack';
export { slideCauses, slideDue, slideOf, slideOfLine, type SlideTimes, somebodyEnters } from './slide';
export { type Start, startsOf } from './starts';
export { type Heading, headingOf, type RepairOption, type RepairChange, repairOptions } from './repair-options';
