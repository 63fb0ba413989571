import * as z from 'zod';
import { faultEntry } from '../../people/coaching/at-start';
import { storedFault } from '../crew';
import { endpoint, type Endpoint, id, version } from '../endpoint';

/** What goes wrong in a car, in the venue's own words. */
export const faultsEndpoints = {
  listFaults: endpoint({
    method: 'get',
    path: '/api/faults',
    access: 'phone',
    summary: "The venue's own faults, and its own words for the common ones",
    reply: z.object({ faults: z.array(storedFault) }),
  }),
  addFault: endpoint({
    method: 'post',
    path: '/api/faults',
    access: 'manager',
    summary: 'Add a fault, or own words for a common one (by its id)',
    body: faultEntry,
    reply: storedFault,
    status: 201,
    refusals: [409, 422],
  }),
  changeFault: endpoint({
    method: 'put',
    path: '/api/faults/:id',
    access: 'manager',
    summary: "Change a fault of the venue's",
    params: id,
    body: z.strictObject({ version, fields: faultEntry }),
    reply: storedFault,
    refusals: [404, 409, 422],
  }),
  removeFault: endpoint({
    method: 'delete',
    path: '/api/faults/:id',
    access: 'manager',
    summary: 'Go back to the common words for a fault; one that only the venue has is retired instead',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404, 409],
  }),
} as const satisfies Record<string, Endpoint>;
