import { storedCar } from '@core/api';
import type { carsEndpoints } from '@core/api/endpoints/cars';
import { conflict } from '../problems';
import { recordDesk } from '../routing/records';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** The fleet. */
export function carsRoutes({ store, room, hub }: Services): Handlers<typeof carsEndpoints> {
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };
  const cars = recordDesk(store.cars, (id) => `car "${id}"`, storedCar, changed);
  return {
    listCars: () => ({ cars: store.cars.list() }),
    addCar: ({ body }) => {
      if (store.venue.get()!.fields.sightingVehicles.some(({ id }) => id === body.id)) {
        throw conflict(`A sighting vehicle has the id "${body.id}" already; a car needs one of its own.`);
      }
      return cars.add(body);
    },
    changeCar: ({ params: { id }, body: { version, fields } }) => cars.change(id, version, fields),
  };
}
