import * as z from 'zod';
import { carFields } from '../../fleet';
import { storedCar } from '../setup';
import { endpoint, type Endpoint, id, version } from '../endpoint';

/** The fleet. */
export const carsEndpoints = {
  listCars: endpoint({
    method: 'get',
    path: '/api/cars',
    summary: 'The fleet',
    reply: z.object({ cars: z.array(storedCar) }),
  }),
  addCar: endpoint({
    method: 'post',
    path: '/api/cars',
    summary: 'Add a car',
    body: carFields,
    reply: storedCar,
    status: 201,
    refusals: [409],
  }),
  changeCar: endpoint({
    method: 'put',
    path: '/api/cars/:id',
    summary: 'Change a car',
    params: id,
    body: z.strictObject({ version, fields: carFields }),
    reply: storedCar,
    refusals: [404, 409],
  }),
} as const satisfies Record<string, Endpoint>;
