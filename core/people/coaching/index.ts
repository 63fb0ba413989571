/** Getting better: faults and marks, laps and what they say, and what the next instructor is told. */
export { type DayBefore, dayBeforeOf, paceFromBefore } from './before';
export { type CueFault, cueFaultsOf } from './cues';
export { type CornerEvidence, evidenceByCorner, type MarkReason, type Measured } from './evidence';
export { drivenBy, handover, type Handover } from './handover';
export { heatOf, marksByCorner, marksByPlace, type PlaceMarks } from './heat';
export { analyseLaps, type LapAnalysis } from './laps';
export { highestLevels } from './levels';
export { oneThing, type OneThing, seenFaults } from './marks';
export { answersIn, type Misread, misreadBy } from './misread';
export {
  type DriveResult,
  guestResult,
  type GuestResult,
  type PartyContest,
  type PartyMember,
  partyResult,
} from './results';
export { type SoonerCall, soonerCalls } from './sooner';
export { type TalkFact, type TalkGroup, type TalkGroupName, talkOf } from './talk';
export { leftAt, taughtPlaces } from './taught-places';
export type { TeachingDrive } from './teaching-drive';
export { type MeanWithin, type TaughtDrive, teachingDrivesOf, teachingResult, type TeachingResult } from './teaching';
export { type FaultEntry, phase, type Phase } from './fault-entry';
export {
  type CommonFault,
  GOOD_THINGS,
  type GoodThing,
  linkFault,
  type LinkFault,
  VOCABULARY,
  vocabularyOf,
} from './vocabulary';
