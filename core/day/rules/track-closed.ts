import { circuitHolds } from '../schedule';
import { wallClock } from '../time';
import { overlaps } from '../windows';
import { onCircuit } from './track-load';
import { rule } from './rule';

/** Nothing is on the circuit during a closure. */
export const trackClosed = rule('TRACK_CLOSED', function* (schedule) {
  for (const closure of schedule.day.circuit.closures) {
    for (const hold of circuitHolds(schedule)) {
      if (overlaps(onCircuit(hold), { startS: closure.from, endS: closure.to })) {
        yield `${hold.label} is on the circuit ${wallClock(hold.releaseS)}–${wallClock(hold.trackEndS)}, but it is closed ${wallClock(closure.from)}–${wallClock(closure.to)}${closure.reason ? ` (${closure.reason})` : ''}`;
      }
    }
  }
});
