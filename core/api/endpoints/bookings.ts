import * as z from 'zod';
import { bookingFields } from '../../booking';
import { moneyAmount } from '../../day/fields';
import { timeOfDay } from '../../day/time';
import { booking } from '../setup';
import { date, dateAndId, endpoint, type Endpoint, version } from '../endpoint';
import { bookingListBody, importPreview, listTaken } from '../import';

/** Bookings, by hand and by list. */
export const bookingsEndpoints = {
  addBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings',
    access: 'phone',
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
    access: 'phone',
    summary: 'Change a booking; a stale version is refused and both are shown',
    params: dateAndId,
    body: z.strictObject({ version, fields: bookingFields }),
    reply: booking,
    refusals: [404, 409],
  }),
  cancelBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/cancel',
    access: 'phone',
    summary: 'Cancel a booking, which stays with the day; refused once something has happened with its guest',
    params: dateAndId,
    body: z.strictObject({ version, why: bookingFields.shape.cancelled }),
    reply: booking,
    refusals: [404, 409],
  }),
  removeBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/remove',
    access: 'phone',
    summary: 'Take a booking off the day as if it had never been; refused once something has happened with its guest',
    params: dateAndId,
    body: z.strictObject({ version }),
    reply: z.object({ removed: z.string() }),
    refusals: [404, 409],
  }),
  moveBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/move',
    access: 'phone',
    summary: 'Move a booking to another event day, which is added where it is not there',
    params: dateAndId,
    body: z.strictObject({ version, to: date.shape.date, arrives: timeOfDay }),
    reply: booking,
    refusals: [404, 409],
  }),
  splitBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/split',
    access: 'phone',
    summary: 'Give some drives of a booking to somebody else, in a booking of their own',
    params: dateAndId,
    body: z.strictObject({
      version,
      drives: z.array(z.string()).min(1),
      name: bookingFields.shape.name,
      reference: bookingFields.shape.reference,
      price: moneyAmount,
      paid: moneyAmount,
    }),
    reply: z.object({ left: booking, off: booking }),
    refusals: [404, 409, 422],
  }),
  joinBookings: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/join',
    access: 'phone',
    summary: 'Take another booking of the day into this one',
    params: dateAndId,
    body: z.strictObject({ version, other: z.string().min(1).max(64) }),
    reply: booking,
    refusals: [404, 409, 422],
  }),
  previewImport: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/preview',
    access: 'phone',
    summary: 'What importing a CSV booking list would do',
    params: date,
    body: bookingListBody,
    reply: importPreview,
    refusals: [404, 422],
  }),
  importBookings: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/import',
    access: 'phone',
    summary: 'Import the good rows of a CSV booking list; words that were explained for it are remembered',
    params: date,
    body: bookingListBody,
    reply: listTaken,
    refusals: [404, 422],
  }),
} as const satisfies Record<string, Endpoint>;
