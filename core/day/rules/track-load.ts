import { activityOf, type Activity } from '../activity';
import { circuitHolds, type CircuitHold } from '../schedule';
import { overloads, type Interval } from '../windows';
import { rule, type Broken } from './rule';

/** The time a vehicle is on the circuit. */
export function onCircuit(hold: CircuitHold): Interval & { readonly hold: CircuitHold } {
  return { startS: hold.releaseS, endS: hold.trackEndS, hold };
}

export type TrackLoadBroken = Broken<'full', { activity: Activity }, { count: number; atS: number; most: number }>;

/** At no instant are more than `maxCarsOnTrack` vehicles on the circuit. */
export const trackLoad = rule('TRACK_LOAD', function* (schedule): Iterable<TrackLoadBroken> {
  const most = schedule.day.rules.maxCarsOnTrack;
  for (const { running, atS } of overloads(circuitHolds(schedule).map(onCircuit), most)) {
    const subjects = { activity: activityOf(running.at(-1)!.hold) };
    yield { detail: 'full', subjects, values: { count: running.length, atS, most } };
  }
});
