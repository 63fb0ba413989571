import { carFields } from '@core/venue/fleet';
import { storedCar, type carsEndpoints } from '@core/api';
import { fact, type Json } from '@core/values';
import { CAR_COLUMNS } from '@exchange/fleet-list';
import { writeRecordList } from '@exchange/record-list';
import * as z from 'zod';
import { refusalOf } from '../../base/refusal';
import { importThread } from '../../workers/import/thread';
import { download } from '../download';
import { readable, takeInList } from '../lists';
import { recordHandlers } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** The fleet. */
export function carsRoutes({ store, dayCache, hub }: Services): Handlers<typeof carsEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const cars = recordHandlers(store.cars, 'car', storedCar, changed);
  const read = (text: string) =>
    importThread.read({ kind: 'cars', text, stored: store.cars.list(), venue: store.venue.get()!.fields });
  return {
    listCars: () => ({ cars: store.cars.list() }),
    addCar: ({ body }) => {
      if (store.venue.get()!.fields.sightingVehicles.some(({ id }) => id === body.id)) {
        throw refusalOf(fact('idIsAVehicles', { id: body.id }));
      }
      return cars.add(body);
    },
    exportCars: ({ response }) => {
      const fleet = store.cars.list().map(({ fields }) => z.encode(carFields, fields) as Json);
      download(response, 'text/csv', 'cars.csv', writeRecordList(CAR_COLUMNS, fleet));
    },
    previewCars: async ({ body: { csv } }) => readable(await read(csv)).preview,
    importCars: async ({ body: { csv } }) => {
      const taken = takeInList(store.db, readable(await read(csv)), carFields, store.cars);
      changed();
      return taken;
    },
    changeCar: ({ params: { id }, body: { version, fields } }) => cars.change(id, version, fields),
  };
}
