import { circuitHolds, type CircuitHold } from '../schedule';
import { wallClock } from '../time';
import { overloads, type Interval } from '../windows';
import { rule } from './rule';

/** The time a vehicle is on the circuit. */
export function onCircuit(hold: CircuitHold): Interval & { readonly hold: CircuitHold } {
  return { startS: hold.releaseS, endS: hold.trackEndS, hold };
}

/** At no instant are more than `maxCarsOnTrack` vehicles on the circuit. */
export const trackLoad = rule('TRACK_LOAD', function* (schedule) {
  const most = schedule.day.rules.maxCarsOnTrack;
  for (const { running, atS } of overloads(circuitHolds(schedule).map(onCircuit), most)) {
    yield `${running.length} vehicles on the circuit at ${wallClock(atS)} with ${running.at(-1)!.hold.label}; ${most} are allowed`;
  }
});
