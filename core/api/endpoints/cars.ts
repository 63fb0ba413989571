import * as z from 'zod';
import { carFields } from '../../venue/fleet/at-start';
import { storedCar } from '../setup';
import { endpoint, type Endpoint, id, raw, version } from '../endpoint';
import { listPreview, listTaken } from '../import';

/** The fleet. */
export const carsEndpoints = {
  listCars: endpoint({
    method: 'get',
    path: '/api/cars',
    access: 'phone',
    summary: 'The fleet',
    reply: z.object({ cars: z.array(storedCar) }),
  }),
  addCar: endpoint({
    method: 'post',
    path: '/api/cars',
    access: 'manager',
    summary: 'Add a car',
    body: carFields,
    reply: storedCar,
    status: 201,
    refusals: [409],
  }),
  changeCar: endpoint({
    method: 'put',
    path: '/api/cars/:id',
    access: 'manager',
    summary: 'Change a car',
    params: id,
    body: z.strictObject({ version, fields: carFields }),
    reply: storedCar,
    refusals: [404, 409],
  }),
  exportCars: endpoint({
    method: 'get',
    path: '/api/cars.csv',
    access: 'manager',
    summary: 'A CSV list of cars, which comes in again as it went out',
    reply: raw('text/csv'),
  }),
  previewCars: endpoint({
    method: 'post',
    path: '/api/cars/preview',
    access: 'manager',
    summary: 'What taking in a CSV list of cars would do',
    body: z.strictObject({ csv: z.string() }),
    reply: listPreview,
    refusals: [422],
  }),
  importCars: endpoint({
    method: 'post',
    path: '/api/cars/import',
    access: 'manager',
    summary: 'Take in the good rows of a CSV list of cars',
    body: z.strictObject({ csv: z.string() }),
    reply: listTaken,
    refusals: [409, 422],
  }),
} as const satisfies Record<string, Endpoint>;
