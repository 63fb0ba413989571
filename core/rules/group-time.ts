import { activityOf, type Activity } from '../day';
import { rule, type Broken } from './rule';

type Of = { activity: Activity };
export type GroupTimeBroken =
  | Broken<'early', Of, { notBeforeS: number; startS: number }>
  | Broken<'late', Of, { endsByS: number; endS: number }>
  | Broken<'pinned', Of, { pinnedS: number; plannedS: number }>;

/** A group holds its guests within the time that is kept for it, and is released when its pin says. */
export const groupTime = rule('GROUP_TIME', function* ({ groups }): Iterable<GroupTimeBroken> {
  for (const occupancy of groups) {
    const { group, startS, endS, releaseS } = occupancy;
    const { notBefore, endsBy, pin } = group ?? {};
    const subjects = { activity: activityOf(occupancy) };
    if (notBefore !== undefined && startS < notBefore) {
      yield { detail: 'early', subjects, values: { notBeforeS: notBefore, startS } };
    }
    if (endsBy !== undefined && endS > endsBy) yield { detail: 'late', subjects, values: { endsByS: endsBy, endS } };
    if (pin && pin.release !== releaseS) {
      yield { detail: 'pinned', subjects, values: { pinnedS: pin.release, plannedS: releaseS } };
    }
  }
});
