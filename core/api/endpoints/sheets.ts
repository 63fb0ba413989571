import * as z from 'zod';
import { date, dateAndId, endpoint, type Endpoint, raw } from '../endpoint';

/** In place of the guest's own. */
const chosenLanguage = z.object({ language: z.string().max(35).optional() });

/** What is printed, as PDF, and the close as CSV. */
export const sheetsEndpoints = {
  daySheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/day.pdf',
    access: 'phone',
    summary: 'The day for the wall: names, times and cars',
    params: date,
    reply: raw('application/pdf'),
    refusals: [404, 409],
  }),
  deskSheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/desk.pdf',
    access: 'phone',
    summary: 'The day for the desk, with what concerns each guest',
    params: date,
    reply: raw('application/pdf'),
    refusals: [404, 409],
  }),
  instructorSheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/instructors/:id.pdf',
    access: 'phone',
    summary: 'The day of one instructor',
    params: dateAndId,
    reply: raw('application/pdf'),
    refusals: [404, 409],
  }),
  resultSheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/results/:id.pdf',
    access: 'phone',
    summary: 'What a guest did and learned, to take home',
    params: dateAndId,
    query: chosenLanguage,
    reply: raw('application/pdf'),
    refusals: [404],
  }),
  timesSheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/times/:id.pdf',
    access: 'phone',
    summary: 'When a guest has to be where, for the pocket',
    params: dateAndId,
    query: chosenLanguage,
    reply: raw('application/pdf'),
    refusals: [404],
  }),
  closeSheet: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/close.pdf',
    access: 'manager',
    summary: 'The day in figures',
    params: date,
    reply: raw('application/pdf'),
    refusals: [404],
  }),
  closeCsv: endpoint({
    method: 'get',
    path: '/api/days/:date/sheets/close.csv',
    access: 'manager',
    summary: 'The day in figures, as CSV',
    params: date,
    reply: raw('text/csv'),
    refusals: [404],
  }),
} as const satisfies Record<string, Endpoint>;
