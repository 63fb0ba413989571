import * as z from 'zod';
import { bookingFields } from '../../booking';
import { booking } from '../setup';
import { date, dateAndId, endpoint, type Endpoint, version } from '../endpoint';
import { importPreview } from '../import';

/** Bookings, by hand and by list. */
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
} as const satisfies Record<string, Endpoint>;
