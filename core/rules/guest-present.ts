import { activityOf, type Activity } from '../day';
import { rule, type Broken } from './rule';

type Of = { guest: string; activity: Activity };
export type GuestPresentBroken =
  | Broken<'early', Of, { arrivesS: number; startS: number }>
  | Broken<'beforeWish', Of, { notBeforeS: number }>
  | Broken<'late', Of, { leavesByS: number; endS: number }>;

/** A guest's occupancies start at or after `arrives` and end by `leavesBy`; a drive starts at or after its `notBefore`. */
export const guestPresent = rule(
  'GUEST_PRESENT',
  function* ({ index, guestOccupancies }): Iterable<GuestPresentBroken> {
    for (const [id, occupancies] of guestOccupancies) {
      const guest = index.guests.get(id)!;
      for (const occupancy of occupancies) {
        const subjects = { guest: id, activity: activityOf(occupancy) };
        if (occupancy.startS < guest.arrives) {
          yield { detail: 'early', subjects, values: { arrivesS: guest.arrives, startS: occupancy.startS } };
        }
        const earliest = occupancy.kind === 'drive' ? occupancy.drive?.notBefore : undefined;
        if (earliest !== undefined && occupancy.startS < earliest) {
          yield { detail: 'beforeWish', subjects, values: { notBeforeS: earliest } };
        }
        if (guest.leavesBy !== undefined && occupancy.endS > guest.leavesBy) {
          yield { detail: 'late', subjects, values: { leavesByS: guest.leavesBy, endS: occupancy.endS } };
        }
      }
    }
  },
);
