import * as z from 'zod';
import { showFields } from '../../people/classroom';
import { storedShow } from '../circuit';
import { endpoint, type Endpoint, versionOrNone } from '../endpoint';

/** The classroom show. */
export const showEndpoints = {
  readShow: endpoint({
    method: 'get',
    path: '/api/show',
    access: 'phone',
    summary: 'The classroom show',
    reply: storedShow,
  }),
  changeShow: endpoint({
    method: 'put',
    path: '/api/show',
    access: 'manager',
    summary: 'Change order and words of the show, or its questions',
    body: z.strictObject({ version: versionOrNone, fields: showFields }),
    reply: storedShow,
    refusals: [409],
  }),
} as const satisfies Record<string, Endpoint>;
