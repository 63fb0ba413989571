import { activityOf, type Activity, circuitOccupancies } from '../day';
import { liesInside, mergeWindows, overlaps } from '../values';
import { rule, type Broken } from './rule';
import { onCircuit, vehicleOverloads } from './track-load';

export type RideMeetingBroken =
  | Broken<
      'beside',
      { activity: Activity; other: Activity },
      { count: number; atS: number; forS: number; most: number }
    >
  | Broken<'outsideGaps', { activity: Activity }, { releaseS: number; trackEndS: number }>;

/** While a ride is on the circuit, at most `mostBeside` other vehicles are, and rides run only in the gaps kept for them. */
export const rideMeeting = rule('RIDE_MEETING', function* (schedule): Iterable<RideMeetingBroken> {
  const { mostBeside, only } = schedule.day.rules.rides ?? {};
  const isRide = (occupancy: ReturnType<typeof circuitOccupancies>[number]) =>
    occupancy.kind === 'drive' && occupancy.drive?.ride !== undefined;
  const all = circuitOccupancies(schedule);
  const others = all.filter((occupancy) => !isRide(occupancy));
  for (const ride of all.filter(isRide)) {
    const { releaseS, trackEndS } = ride;
    const subjects = { activity: activityOf(ride) };
    if (only && !liesInside(mergeWindows(only), onCircuit(ride))) {
      yield { detail: 'outsideGaps', subjects, values: { releaseS, trackEndS } };
    }
    if (mostBeside === undefined) continue;
    const beside = others.flatMap((other) => {
      if (!overlaps(onCircuit(ride), onCircuit(other))) return [];
      const from = Math.max(releaseS, other.releaseS);
      return [{ ...other, releaseS: from, trackEndS: Math.min(trackEndS, other.trackEndS) }];
    });
    for (const { occupancy, ...values } of vehicleOverloads(beside, mostBeside)) {
      const other = activityOf(occupancy);
      yield { detail: 'beside', subjects: { ...subjects, other }, values: { ...values, most: mostBeside } };
    }
  }
});
