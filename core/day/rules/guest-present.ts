import { activityOf, type Activity } from '../activity';
import { rule, type Broken } from './rule';

type Of = { guest: string; activity: Activity };
export type GuestPresentBroken =
  | Broken<'early', Of, { arrivesS: number; startS: number }>
  | Broken<'beforeWish', Of, { notBeforeS: number }>
  | Broken<'late', Of, { leavesByS: number; endS: number }>;

/** A guest's holds start at or after `arrives` and end by `leavesBy`; a drive starts at or after its `notBefore`. */
export const guestPresent = rule('GUEST_PRESENT', function* ({ index, guestHolds }): Iterable<GuestPresentBroken> {
  for (const [id, holds] of guestHolds) {
    const guest = index.guests.get(id)!;
    for (const hold of holds) {
      const subjects = { guest: id, activity: activityOf(hold) };
      if (hold.startS < guest.arrives) {
        yield { detail: 'early', subjects, values: { arrivesS: guest.arrives, startS: hold.startS } };
      }
      const earliest = hold.kind === 'drive' ? hold.drive?.notBefore : undefined;
      if (earliest !== undefined && hold.startS < earliest) {
        yield { detail: 'beforeWish', subjects, values: { notBeforeS: earliest } };
      }
      if (guest.leavesBy !== undefined && hold.endS > guest.leavesBy) {
        yield { detail: 'late', subjects, values: { leavesByS: guest.leavesBy, endS: hold.endS } };
      }
    }
  }
});
