import { wallClock } from '../time';
import { overloads } from '../windows';
import { rule } from './rule';

/** A briefing has one guest to `seats` guests; at most `rooms` briefings run at once. */
export const room = rule('ROOM', function* ({ day, briefings }) {
  const { seats, rooms } = day.rules.briefing;
  for (const { briefing, label } of briefings) {
    if (briefing.guests.length === 0) yield `${label} has no guest`;
    if (briefing.guests.length > seats) {
      yield `${label} has ${briefing.guests.length} guests; the room seats ${seats}`;
    }
  }
  for (const { running, atS } of overloads(briefings, rooms)) {
    yield `${running.length} classes at once at ${wallClock(atS)}; there are ${rooms} rooms`;
  }
});
