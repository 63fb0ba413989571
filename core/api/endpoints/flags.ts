import * as z from 'zod';
import { endpoint, type Endpoint } from '../endpoint';
import { gotFlag } from '../flags';

/** Flags, which go to every screen of the venue. */
export const flagsEndpoints = {
  gotFlag: endpoint({
    method: 'post',
    path: '/api/flags/got',
    access: 'phone',
    summary: 'This screen has shown the flag; whoever called it sees so',
    body: gotFlag,
    reply: z.object({ got: z.number().int() }),
  }),
} as const satisfies Record<string, Endpoint>;
