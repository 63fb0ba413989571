import { wallClock } from '../time';
import { rule } from './rule';

/** A guest's holds start at or after `arrives` and end by `leavesBy`; a drive starts at or after its `notBefore`. */
export const guestPresent = rule('GUEST_PRESENT', function* ({ index, guestHolds }) {
  for (const [id, holds] of guestHolds) {
    const guest = index.guests.get(id)!;
    for (const hold of holds) {
      if (hold.startS < guest.arrives) {
        yield `${guest.name} arrives at ${wallClock(guest.arrives)}, but ${hold.label} begins at ${wallClock(hold.startS)}`;
      }
      const earliest = hold.kind === 'drive' ? hold.drive?.notBefore : undefined;
      if (earliest !== undefined && hold.startS < earliest) {
        yield `${guest.name} wants ${hold.label} no earlier than ${wallClock(earliest)}`;
      }
      if (guest.leavesBy !== undefined && hold.endS > guest.leavesBy) {
        yield `${guest.name} leaves by ${wallClock(guest.leavesBy)}, but ${hold.label} ends at ${wallClock(hold.endS)}`;
      }
    }
  }
});
