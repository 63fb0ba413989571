import { wallClock } from '../time';
import { liesInside, overlappingPairs } from '../windows';
import { rule } from './rule';

/** A sighting run has one guest to `seats` guests; the vehicle's holds do not overlap and lie in its windows. */
export const seats = rule('SEATS', function* ({ day, index, sightings }) {
  for (const { sighting, vehicle, label } of sightings) {
    if (sighting.guests.length === 0) yield `${label} has no guest`;
    if (vehicle && sighting.guests.length > vehicle.seats) {
      yield `${label} has ${sighting.guests.length} guests; ${vehicle.name} seats ${vehicle.seats}`;
    }
  }
  for (const vehicle of day.sightingVehicles) {
    const holds = sightings.filter((hold) => hold.vehicle === vehicle);
    for (const [a, b] of overlappingPairs(holds)) {
      yield `${vehicle.name} is held until ${wallClock(a.endS)} by ${a.label} when ${b.label} begins at ${wallClock(b.startS)}`;
    }
    for (const hold of holds) {
      if (!liesInside(index.windows(vehicle), hold)) {
        yield `${vehicle.name} is not available for the whole of ${hold.label}`;
      }
    }
  }
});
