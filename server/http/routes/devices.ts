import { randomBytes } from 'node:crypto';
import type { devicesEndpoints } from '@core/api';
import { fact } from '@core/values';
import { notFound, refusalOf } from '../../base/refusal';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** Timing loops and trackers: the manager's list of them, and the address at which they report. */
export function devicesRoutes({ store, devices, hub }: Services): Handlers<typeof devicesEndpoints> {
  return {
    listDevices: () => ({ devices: devices.list() }),
    addDevice: ({ body }) => {
      const key = randomBytes(24).toString('base64url');
      const series = randomBytes(2).toString('hex');
      if (!store.devices.add({ ...body, key, series }))
        throw refusalOf(fact('idTaken', { id: body.id }, { kind: 'device' }));
      hub.changed('devices');
      return { device: devices.list().find(({ id }) => id === body.id)!, key };
    },
    removeDevice: ({ params: { id } }) => {
      if (!store.devices.remove(id)) throw notFound('device', id);
      devices.forget(id);
      hub.changed('devices');
      return { removed: id };
    },
    receiveLines: {
      before: (request) => devices.mustKnow(String(request.params['id'])),
      handle: ({ params: { id }, body }) => devices.receive(id, new TextDecoder().decode(body)),
    },
  };
}
