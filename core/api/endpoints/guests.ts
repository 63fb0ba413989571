import * as z from 'zod';
import { dayBefore } from '../../people/coaching/at-start';
import { foundGuest, mention } from '../setup';
import { dateAndId, endpoint, type Endpoint, id, raw } from '../endpoint';

/** Guests who come again, and what is theirs: to be taken along, and to be erased. */
export const guestsEndpoints = {
  readBefore: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/before',
    access: 'phone',
    summary: 'What a guest who has come back did on earlier days',
    params: dateAndId,
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  findGuests: endpoint({
    method: 'post',
    path: '/api/guests/find',
    access: 'manager',
    summary: 'Guests of all days by a part of their name, reference or e-mail, the latest first',
    body: z.strictObject({ query: z.string().trim().min(2).max(200) }),
    reply: z.object({ guests: z.array(foundGuest) }),
  }),
  linkGuests: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/same',
    access: 'phone',
    summary:
      'Say that a guest of another day is the same person; nothing is changed but that, and it can be taken back',
    params: dateAndId,
    body: z.strictObject({ other: id.shape.id }),
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404, 409],
  }),
  unlinkGuests: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/not-same',
    access: 'phone',
    summary: 'Take back that two guests are the same person',
    params: dateAndId,
    body: z.strictObject({ other: id.shape.id }),
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  exportGuest: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/export.json',
    access: 'manager',
    summary: 'All that is kept of a guest, as JSON to take along',
    params: dateAndId,
    reply: raw('application/json'),
    refusals: [404],
  }),
  readErasure: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/erasure',
    access: 'managerAlone',
    summary:
      'Where a guest would be erased: every day of the same person, and notes of others that a part of the name stands in',
    params: dateAndId,
    reply: z.object({ days: z.array(z.iso.date()), mentions: z.array(mention) }),
    refusals: [404],
  }),
  eraseGuest: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/erase',
    access: 'managerAlone',
    summary:
      "Erase a guest's name, contact and words for good, on every day of the same person; laps stay as anonymous counts",
    params: dateAndId,
    body: z.strictObject({ notes: z.array(id.shape.id).max(2000) }),
    reply: z.object({ erased: z.string() }),
    refusals: [403, 404],
  }),
} as const satisfies Record<string, Endpoint>;
