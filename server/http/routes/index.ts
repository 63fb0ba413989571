import type { contract } from '@core/api';
import type { Handlers } from '../mount';
import type { Services } from '../services';
import { bookingsRoutes } from './bookings';
import { carsRoutes } from './cars';
import { circuitRoutes } from './circuit';
import { crewRoutes } from './crew';
import { daysRoutes } from './days';
import { devicesRoutes } from './devices';
import { faultsRoutes } from './faults';
import { flagsRoutes } from './flags';
import { groupsRoutes } from './groups';
import { guestsRoutes } from './guests';
import { managerRoutes } from './manager';
import { phonesRoutes } from './phones';
import { photosRoutes } from './photos';
import { plansRoutes } from './plans';
import { practiceRoutes } from './practice';
import { serviceRoutes } from './service';
import { sheetsRoutes } from './sheets';
import { showRoutes } from './show';
import { venueRoutes } from './venue';

/** Who answers each endpoint of the contract. */
export function routes(services: Services): Handlers<typeof contract> {
  return {
    ...serviceRoutes(services),
    ...venueRoutes(services),
    ...circuitRoutes(services),
    ...showRoutes(services),
    ...photosRoutes(services),
    ...daysRoutes(services),
    ...bookingsRoutes(services),
    ...groupsRoutes(services),
    ...guestsRoutes(services),
    ...plansRoutes(services),
    ...sheetsRoutes(services),
    ...carsRoutes(services),
    ...crewRoutes(services),
    ...faultsRoutes(services),
    ...flagsRoutes(services),
    ...managerRoutes(services),
    ...devicesRoutes(services),
    ...phonesRoutes(services),
    ...practiceRoutes(services),
  };
}
