import { bookingsEndpoints } from './endpoints/bookings';
import { carsEndpoints } from './endpoints/cars';
import { circuitEndpoints } from './endpoints/circuit';
import { crewEndpoints } from './endpoints/crew';
import { daysEndpoints } from './endpoints/days';
import { devicesEndpoints } from './endpoints/devices';
import { faultsEndpoints } from './endpoints/faults';
import { flagsEndpoints } from './endpoints/flags';
import { groupsEndpoints } from './endpoints/groups';
import { guestsEndpoints } from './endpoints/guests';
import { managerEndpoints } from './endpoints/manager';
import { photosEndpoints } from './endpoints/photos';
import { phonesEndpoints } from './endpoints/phones';
import { plansEndpoints } from './endpoints/plans';
import { practiceEndpoints } from './endpoints/practice';
import { serviceEndpoints } from './endpoints/service';
import { sheetsEndpoints } from './endpoints/sheets';
import { showEndpoints } from './endpoints/show';
import { venueEndpoints } from './endpoints/venue';

/**
 * Every request of the interface by name: web and server are both typed by it. A resource has a file of endpoints here and
 * one of the same name with their handlers in the server.
 */
export const contract = {
  ...serviceEndpoints,
  ...venueEndpoints,
  ...circuitEndpoints,
  ...showEndpoints,
  ...photosEndpoints,
  ...daysEndpoints,
  ...bookingsEndpoints,
  ...groupsEndpoints,
  ...guestsEndpoints,
  ...plansEndpoints,
  ...sheetsEndpoints,
  ...carsEndpoints,
  ...crewEndpoints,
  ...faultsEndpoints,
  ...flagsEndpoints,
  ...managerEndpoints,
  ...devicesEndpoints,
  ...phonesEndpoints,
  ...practiceEndpoints,
};
