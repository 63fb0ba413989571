import { storedCar } from '@core/api';
import type { carsEndpoints } from '@core/api/endpoints/cars';
import { fact } from '@core/day';
import { refusalOf } from '../problems';
import { recordDesk } from '../routing/records';
import { setupChanged } from '../routing/setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** The fleet. */
export function carsRoutes({ store, dayCache, hub }: Services): Handlers<typeof carsEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const cars = recordDesk(store.cars, 'car', storedCar, changed);
  return {
    listCars: () => ({ cars: store.cars.list() }),
    addCar: ({ body }) => {
      if (store.venue.get()!.fields.sightingVehicles.some(({ id }) => id === body.id)) {
        throw refusalOf(fact('idIsAVehicles', { id: body.id }));
      }
      return cars.add(body);
    },
    changeCar: ({ params: { id }, body: { version, fields } }) => cars.change(id, version, fields),
  };
}
