import * as z from 'zod';
import { dayBefore } from '../../coaching/before';
import { booking, bookingFields, foundGuest } from '../booking';
import { date, dateAndId, endpoint, type Endpoint, id, version } from '../endpoint';
import { importPreview } from '../import';

/** Bookings, and guests who come again. */
export const bookingsEndpoints = {
  addBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings',
    summary: 'Add a booking',
    params: date,
    body: bookingFields,
    reply: booking,
    status: 201,
    refusals: [404, 409],
  }),
  changeBooking: endpoint({
    method: 'put',
    path: '/api/days/:date/bookings/:id',
    summary: 'Change a booking; a stale version is refused and both are shown',
    params: dateAndId,
    body: z.strictObject({ version, fields: bookingFields }),
    reply: booking,
    refusals: [404, 409],
  }),
  cancelBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/cancel',
    summary: 'Take a booking off the day; refused once something has happened with its guest',
    params: dateAndId,
    body: z.strictObject({ version }),
    reply: z.object({ cancelled: z.string() }),
    refusals: [404, 409],
  }),
  previewImport: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/preview',
    summary: 'What importing a CSV booking list would do',
    params: date,
    body: z.strictObject({ csv: z.string() }),
    reply: importPreview,
    refusals: [404, 422],
  }),
  importBookings: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/import',
    summary: 'Import the good rows of a CSV booking list',
    params: date,
    body: z.strictObject({ csv: z.string() }),
    reply: z.object({
      added: z.number().int(),
      changed: z.number().int(),
      unchanged: z.number().int(),
      faulty: z.number().int(),
    }),
    refusals: [404, 422],
  }),
  readBefore: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/before',
    summary: 'What a guest who has come back did on earlier days',
    params: dateAndId,
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  findGuests: endpoint({
    method: 'post',
    path: '/api/guests/find',
    summary: 'Guests of all days by a part of their name, reference or e-mail, the latest first',
    body: z.strictObject({ query: z.string().trim().min(2).max(200) }),
    reply: z.object({ guests: z.array(foundGuest) }),
  }),
  linkGuests: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/same',
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
    summary: 'Take back that two guests are the same person',
    params: dateAndId,
    body: z.strictObject({ other: id.shape.id }),
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  eraseGuest: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/erase',
    summary: "Erase a guest's name, contact and words for good; laps stay as anonymous counts",
    params: dateAndId,
    reply: z.object({ erased: z.string() }),
    refusals: [403, 404],
  }),
} as const satisfies Record<string, Endpoint>;
