import { bookingsEndpoints } from './endpoints/bookings';
import { crewEndpoints } from './endpoints/crew';
import { daysEndpoints } from './endpoints/days';
import { fleetEndpoints } from './endpoints/fleet';
import { plansEndpoints } from './endpoints/plans';
import { venueEndpoints } from './endpoints/venue';

/** Every request of the interface by name: web and server are both typed by it. */
export const contract = {
  ...venueEndpoints,
  ...daysEndpoints,
  ...bookingsEndpoints,
  ...plansEndpoints,
  ...fleetEndpoints,
  ...crewEndpoints,
};
