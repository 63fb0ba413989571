import { randomBytes } from 'node:crypto';
import { Router, text } from 'express';
import { contract, deviceReceipt } from '@core/api';
import { conflict, notFound } from '../problems';
import type { Services } from '../services';
import { mount } from './mount';

/** Most that a device sends at once. */
const MOST_LINES = '1mb';

/** Timing loops and trackers: the manager's list of them, and the address at which they report. */
export function deviceRoutes({ store, devices, hub }: Services): Router {
  const router = Router();
  mount(router, contract.listDevices, () => ({ devices: devices.list() }));
  mount(router, contract.addDevice, ({ body }) => {
    const key = randomBytes(24).toString('base64url');
    const series = randomBytes(2).toString('hex');
    if (!store.devices.add({ ...body, key, series })) throw conflict(`There is a device "${body.id}" already.`);
    hub.changed('devices');
    return { device: devices.list().find(({ id }) => id === body.id)!, key };
  });
  mount(router, contract.removeDevice, ({ params: { id } }) => {
    if (!store.devices.remove(id)) throw notFound(`device "${id}"`);
    devices.forget(id);
    hub.changed('devices');
    return { removed: id };
  });
  router.post(
    '/api/devices/:id/lines',
    text({ type: () => true, limit: MOST_LINES }),
    (request, response) =>
      void response.json(deviceReceipt.parse(devices.receive(request.params['id'], textOf(request.body)))),
  );
  return router;
}

/** Lines that came as JSON have been read already, and are no lines; a request without a body brings none. */
function textOf(body: unknown): string {
  return typeof body === 'string' ? body : (JSON.stringify(body) ?? '');
}
