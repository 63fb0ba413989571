import { wallClock } from '../time';
import { rule } from './rule';

/** Every hold and every refuel lies within the opening hours; a turnaround may run past. */
export const hours = rule('HOURS', function* ({ day, briefings, sightings, drives, refuels }) {
  for (const hold of [...briefings, ...sightings, ...drives, ...refuels]) {
    if (hold.startS < day.opens || hold.endS > day.closes) {
      yield `${hold.label} holds ${wallClock(hold.startS)}–${wallClock(hold.endS)}, outside the opening hours ${wallClock(day.opens)}–${wallClock(day.closes)}`;
    }
  }
});
