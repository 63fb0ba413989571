import * as z from 'zod';
import { venueFields } from '../../venue/settings';
import { storedVenue } from '../setup';
import { endpoint, type Endpoint, version } from '../endpoint';

/** The venue and its rules. */
export const venueEndpoints = {
  readVenue: endpoint({
    method: 'get',
    path: '/api/venue',
    access: 'phone',
    summary: 'The venue and its rules',
    reply: storedVenue,
  }),
  changeVenue: endpoint({
    method: 'put',
    path: '/api/venue',
    access: 'manager',
    summary: 'Change the venue or its rules',
    body: z.strictObject({ version, fields: venueFields }),
    reply: storedVenue,
    refusals: [409],
  }),
} as const satisfies Record<string, Endpoint>;
