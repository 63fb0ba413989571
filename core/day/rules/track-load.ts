import { activityOf, type Activity } from '../activity';
import { circuitOccupancies, type CircuitOccupancy } from '../schedule';
import { overloads, type Interval } from '../windows';
import { rule, type Broken } from './rule';

/** The time a vehicle is on the circuit. */
export function onCircuit(occupancy: CircuitOccupancy): Interval & { readonly occupancy: CircuitOccupancy } {
  return { startS: occupancy.releaseS, endS: occupancy.trackEndS, occupancy };
}

export type TrackLoadBroken = Broken<
  'full',
  { activity: Activity },
  { count: number; atS: number; forS: number; most: number }
>;

/** At no instant are more than `maxCarsOnTrack` vehicles on the circuit. */
export const trackLoad = rule('TRACK_LOAD', function* (schedule): Iterable<TrackLoadBroken> {
  const most = schedule.day.rules.maxCarsOnTrack;
  for (const { running, atS, forS } of overloads(circuitOccupancies(schedule).map(onCircuit), most)) {
    const subjects = { activity: activityOf(running.at(-1)!.occupancy) };
    yield { detail: 'full', subjects, values: { count: running.length, atS, forS, most } };
  }
});
