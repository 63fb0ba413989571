import { activityOf, type Activity } from '../day';
import { liesInside, overlappingPairs } from '../values';
import { rule, type Broken } from './rule';

export type SeatsBroken =
  | Broken<'empty', { activity: Activity }>
  | Broken<'crowded', { activity: Activity; vehicle: string }, { count: number; seats: number }>
  | Broken<'taken', { vehicle: string; by: Activity; activity: Activity }, { untilS: number; startS: number }>
  | Broken<'away', { vehicle: string; activity: Activity }, { startS: number; endS: number }>;

/** A sighting run has one guest to `seats` guests; the vehicle's occupancies do not overlap and lie in its windows. */
export const seats = rule('SEATS', function* ({ day, index, sightings }): Iterable<SeatsBroken> {
  for (const occupancy of sightings) {
    const { vehicle } = occupancy;
    const [activity, count] = [activityOf(occupancy), occupancy.sighting.guests.length];
    if (count === 0) yield { detail: 'empty', subjects: { activity }, values: {} };
    if (vehicle && count > vehicle.seats) {
      yield { detail: 'crowded', subjects: { activity, vehicle: vehicle.id }, values: { count, seats: vehicle.seats } };
    }
  }
  for (const vehicle of day.sightingVehicles) {
    const occupancies = sightings.filter((occupancy) => occupancy.vehicle === vehicle);
    for (const [a, b] of overlappingPairs(occupancies)) {
      yield {
        detail: 'taken',
        subjects: { vehicle: vehicle.id, by: activityOf(a), activity: activityOf(b) },
        values: { untilS: a.endS, startS: b.startS },
      };
    }
    for (const occupancy of occupancies) {
      if (!liesInside(index.windows(vehicle), occupancy)) {
        const { startS, endS } = occupancy;
        yield {
          detail: 'away',
          subjects: { vehicle: vehicle.id, activity: activityOf(occupancy) },
          values: { startS, endS },
        };
      }
    }
  }
});
