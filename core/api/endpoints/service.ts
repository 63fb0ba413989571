import * as z from 'zod';
import { clock } from '../day-view';
import { endpoint, type Endpoint } from '../endpoint';

/** The server itself: how it is, what it offers, and its clock. */
export const serviceEndpoints = {
  readHealth: endpoint({
    method: 'get',
    path: '/api/health',
    access: 'anyone',
    summary: 'Whether the server is there',
    reply: z.object({ status: z.literal('ok') }),
  }),
  readOpenApi: endpoint({
    method: 'get',
    path: '/api/openapi.json',
    access: 'phone',
    summary: 'This description',
    reply: z.record(z.string(), z.unknown()),
  }),
  readClock: endpoint({
    method: 'get',
    path: '/api/clock',
    access: 'phone',
    summary: "The venue's clock",
    reply: clock,
  }),
  adjustClock: endpoint({
    method: 'post',
    path: '/api/clock',
    access: 'phone',
    summary: 'Pause, speed up or set the clock (demo only)',
    body: z.strictObject({
      rate: z.number().min(0).max(60).optional(),
      date: z.iso.date().optional(),
      secondsOfDay: z.number().min(0).max(86_399).optional(),
    }),
    reply: clock,
    refusals: [403],
  }),
  resetDemo: endpoint({
    method: 'post',
    path: '/api/demo/reset',
    access: 'phone',
    summary: 'Put the demo back to its beginning (demo only)',
    reply: clock,
    refusals: [403],
  }),
} as const satisfies Record<string, Endpoint>;
