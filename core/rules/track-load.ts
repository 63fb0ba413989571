import { activityOf, type Activity, circuitOccupancies, type CircuitOccupancy } from '../day';
import { overloads, type Interval } from '../values';
import { rule, type Broken } from './rule';

/** The time a vehicle is on the circuit. */
export function onCircuit(occupancy: CircuitOccupancy): Interval & { readonly occupancy: CircuitOccupancy } {
  return { startS: occupancy.releaseS, endS: occupancy.trackEndS, occupancy };
}

/** When more vehicles than `most` are out at once, with what makes them too many; a group is as many as it has. */
export function vehicleOverloads<T extends CircuitOccupancy>(
  occupancies: readonly T[],
  most: number,
): { readonly occupancy: T; readonly count: number; readonly atS: number; readonly forS: number }[] {
  const each = occupancies.flatMap((occupancy) =>
    Array.from({ length: occupancy.vehicles }, () => ({
      startS: occupancy.releaseS,
      endS: occupancy.trackEndS,
      occupancy,
    })),
  );
  const found = overloads(each, most).map(({ running, atS, forS }) => ({
    occupancy: running.at(-1)!.occupancy,
    count: running.length,
    atS,
    forS,
  }));
  // The cars of a group go out together, and are told together.
  return found.filter(({ occupancy }, place) => found[place + 1]?.occupancy !== occupancy);
}

export type TrackLoadBroken = Broken<
  'full',
  { activity: Activity },
  { count: number; atS: number; forS: number; most: number }
>;

/** At no instant are more than `maxCarsOnTrack` vehicles on the circuit. */
export const trackLoad = rule('TRACK_LOAD', function* (schedule): Iterable<TrackLoadBroken> {
  const most = schedule.day.rules.maxCarsOnTrack;
  for (const { occupancy, ...values } of vehicleOverloads(circuitOccupancies(schedule), most)) {
    yield { detail: 'full', subjects: { activity: activityOf(occupancy) }, values: { ...values, most } };
  }
});
