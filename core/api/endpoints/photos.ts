import * as z from 'zod';
import { endpoint, type Endpoint, raw } from '../endpoint';

const photo = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{8,64}$/, 'expected an id of 8 to 64 letters or digits'),
});

/** Pictures: of cars, of faults, for the show. */
export const photosEndpoints = {
  putPhoto: endpoint({
    method: 'put',
    path: '/api/photos/:id',
    access: 'phone',
    summary: 'Keep a JPEG, PNG or WebP picture under an id of the sender',
    params: photo,
    body: raw('image/*'),
    mostBody: '4mb',
    reply: photo,
    status: 201,
    refusals: [413, 415],
  }),
  readPhoto: endpoint({
    method: 'get',
    path: '/api/photos/:id',
    access: 'phone',
    summary: 'A picture',
    params: photo,
    reply: raw('image/*'),
    refusals: [404],
  }),
} as const satisfies Record<string, Endpoint>;
