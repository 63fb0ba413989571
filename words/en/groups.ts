import type { GroupRefusal, GroupStage, GroupStep, MemberOutReason, SpacingSaid } from '@core/journal';
import type { ByCode } from '../by-code';
import type { Names } from '../names';

/** What groups do, and why they can't. */

const STAGES: Readonly<Record<GroupStage, string>> = {
  planned: 'has not begun',
  gathered: 'is in the cars and has not been let out',
  out: 'is out',
  over: 'is over',
};

export const MEMBER_OUT_WORDS: Readonly<Record<MemberOutReason, string>> = {
  dropsBack: 'falls behind',
  pauses: 'has a break',
  leaves: 'has gone',
  carFault: 'the car does not run',
};

/** What a leader says of the distance to the car before. */
export const SPACING_SAID_WORDS: Readonly<Record<SpacingSaid, string>> = { closer: 'closer', moreRoom: 'more room' };

/** What entries about groups are called. */
export const GROUP_ENTRY_WORDS: Readonly<Record<GroupStep, string>> = {
  groupBegan: 'In the cars',
  groupReleased: 'Let out',
  groupLapCounted: 'Lap counted',
  groupOrdered: 'New order',
  memberOut: 'Out of the group',
  memberBack: 'Back in the group',
  radioTested: 'Radio tested',
  radioLost: 'Radio lost',
  spacingCalled: 'Spacing',
  groupStopped: 'Everybody stands',
  groupGoes: 'Goes on',
  memberMarked: 'Marked',
  groupEnded: 'Over',
  turnBegan: 'Onto the oval',
  turnLapCounted: 'Lap on the oval',
  stepSet: 'Throttle',
  turnEnded: 'Off the oval',
  stationRun: 'Run at a station',
  stationOpened: 'Station opened',
};

/** Why an entry about a group has no place; each with its full stop. */
export function groupRefusals({ guest, car, instructor, group }: Names): ByCode<GroupRefusal> {
  return {
    groupStage: ({ subjects, values }) =>
      `${group(subjects.group)} ${STAGES[values.stage]}: "${GROUP_ENTRY_WORDS[values.entry]}" has no place there.`,
    groupStands: ({ subjects }) => `${group(subjects.group)} stands already.`,
    groupRuns: ({ subjects }) => `${group(subjects.group)} is not stopped.`,
    otherProgramme: ({ subjects }) => `${group(subjects.group)} does something else.`,
    notInGroup: ({ subjects }) => `${guest(subjects.guest)} is not in ${group(subjects.group)}.`,
    notOnOval: ({ subjects }) => `${guest(subjects.guest)} is not on the oval.`,
    noSuchStep: () => 'The throttle goes up one step at a time, and no further than the last one.',
    stepNotSeen: ({ subjects }) =>
      `No step up for ${guest(subjects.guest)}: line held, smooth and answers the radio are all needed.`,
    carInGroup: ({ subjects }) => `${car(subjects.car)} is with ${group(subjects.group)}.`,
    carNotInGroup: ({ subjects }) => `${car(subjects.car)} is none of the cars of ${group(subjects.group)}.`,
    noSuchStation: ({ subjects, values }) => `${group(subjects.group)} has no station "${values.station}".`,
    stationNotPassed: ({ subjects, values }) =>
      `${values.station} is for those who have passed ${values.missing}: ${guest(subjects.guest)} has not. Open it with a reason if you know better.`,
    busyWithGroup: ({ subjects }) => `${instructor(subjects.instructor)} is with ${group(subjects.group)}.`,
    inGroup: ({ subjects }) => `${guest(subjects.guest)} is out with a group.`,
    memberOutAlready: ({ subjects }) => `${guest(subjects.guest)} is out of the group at the moment.`,
    memberNotOut: ({ subjects }) => `${guest(subjects.guest)} is in the group.`,
    memberHasLeft: ({ subjects }) => `${guest(subjects.guest)} has left the group.`,
    onOvalAlready: ({ subjects }) => `${guest(subjects.guest)} is on the oval already.`,
    radioNotTested: ({ subjects }) =>
      `The radio of ${guest(subjects.guest)} is not tested, or did not answer: test it, or change the set.`,
  };
}
