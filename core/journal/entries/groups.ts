import * as z from 'zod';
import { GROUP_ROLES } from '../../programmes';
import { entryOf, marks, memberOutReason, note, spacingSaid, subject } from './parts';

/** Groups that go out together: from gathering in the cars to the leader's word with each guest afterwards. */
export const groupsSchemas = {
  groupBegan: entryOf('groupBegan', {
    group: subject,
    /** Who is there; in a train in the order of the start, each with the car at the same place of `cars`. */
    guests: z.array(subject).min(1).max(60),
    cars: z.array(subject).min(1).max(60),
    leadCar: subject.optional(),
    crew: z.array(z.strictObject({ role: z.enum(GROUP_ROLES), instructor: subject })).max(40),
  }),
  groupReleased: entryOf('groupReleased', { group: subject }),
  /** The leader has come past the line; the order is the one that is known then. */
  groupLapCounted: entryOf('groupLapCounted', { group: subject }),
  /** The order from now on. */
  groupOrdered: entryOf('groupOrdered', { group: subject, order: z.array(subject).max(60) }),
  memberOut: entryOf('memberOut', { group: subject, guest: subject, why: memberOutReason }),
  memberBack: entryOf('memberBack', { group: subject, guest: subject }),
  /** Asked by radio, answered by a flash of the lights, or not. */
  radioTested: entryOf('radioTested', { group: subject, guest: subject, answered: z.boolean() }),
  radioLost: entryOf('radioLost', { group: subject, guest: subject }),
  /** What the leader has said to a guest of a train about the distance to the car before. */
  spacingCalled: entryOf('spacingCalled', { group: subject, guest: subject, say: spacingSaid }),
  /** The stop phrase, from whoever has said it: everybody stands until the group goes on. */
  groupStopped: entryOf('groupStopped', { group: subject, reason: z.string().trim().min(1).max(200) }),
  groupGoes: entryOf('groupGoes', { group: subject }),
  memberMarked: entryOf('memberMarked', {
    group: subject,
    guest: subject,
    marks,
    good: z.string().trim().min(1).max(100).optional(),
    note,
  }),
  groupEnded: entryOf('groupEnded', { group: subject }),
};
