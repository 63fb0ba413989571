import * as z from 'zod';
import { instructorFields } from '../../crew/skills';
import { carFields, storedCar, storedInstructor } from '../booking';
import { device, newDevice } from '../devices';
import { endpoint, type Endpoint, id, version } from '../endpoint';

/** What is set up one by one: cars, instructors and devices. */
export const fleetEndpoints = {
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
  listInstructors: endpoint({
    method: 'get',
    path: '/api/instructors',
    summary: 'The crew',
    reply: z.object({ instructors: z.array(storedInstructor) }),
  }),
  addInstructor: endpoint({
    method: 'post',
    path: '/api/instructors',
    summary: 'Add an instructor',
    body: instructorFields,
    reply: storedInstructor,
    status: 201,
    refusals: [409],
  }),
  changeInstructor: endpoint({
    method: 'put',
    path: '/api/instructors/:id',
    summary: 'Change an instructor',
    params: id,
    body: z.strictObject({ version, fields: instructorFields }),
    reply: storedInstructor,
    refusals: [404, 409],
  }),
  listDevices: endpoint({
    method: 'get',
    path: '/api/devices',
    summary: 'Timing loops and trackers, and how they are',
    reply: z.object({ devices: z.array(device) }),
  }),
  addDevice: endpoint({
    method: 'post',
    path: '/api/devices',
    summary: 'Add a device; the reply holds its key, which is not shown again',
    body: newDevice,
    reply: z.object({ device, key: z.string() }),
    status: 201,
    refusals: [409],
  }),
  removeDevice: endpoint({
    method: 'delete',
    path: '/api/devices/:id',
    summary: 'Remove a device: nothing more is taken from it',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
} as const satisfies Record<string, Endpoint>;
