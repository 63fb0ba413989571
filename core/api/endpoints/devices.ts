import * as z from 'zod';
import { device, deviceReceipt, newDevice } from '../devices';
import { endpoint, type Endpoint, id, raw } from '../endpoint';

/** Timing loops and trackers, and the address at which they report. */
export const devicesEndpoints = {
  listDevices: endpoint({
    method: 'get',
    path: '/api/devices',
    access: 'phone',
    summary: 'Timing loops and trackers, and how they are',
    reply: z.object({ devices: z.array(device) }),
  }),
  addDevice: endpoint({
    method: 'post',
    path: '/api/devices',
    access: 'manager',
    summary: 'Add a device; the reply holds its key, which is not shown again',
    body: newDevice,
    reply: z.object({ device, key: z.string() }),
    status: 201,
    refusals: [409],
  }),
  removeDevice: endpoint({
    method: 'delete',
    path: '/api/devices/:id',
    access: 'manager',
    summary: 'Remove a device: nothing more is taken from it',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
  receiveLines: endpoint({
    method: 'post',
    path: '/api/devices/:id/lines',
    access: 'anyone',
    // Far more than any device sends.
    limit: { aMinute: 1200 },
    summary: 'Signed lines of a device, each with its number; what cannot be used is told line by line',
    params: z.strictObject({ id: z.string().max(64) }),
    body: raw('text/plain'),
    mostBody: '1mb',
    reply: deviceReceipt,
    refusals: [404, 413, 429],
  }),
} as const satisfies Record<string, Endpoint>;
