import * as z from 'zod';
import { dayClose } from '../../venue/closing';
import { crewDay } from '../../people/crew/at-start';
import { carDay } from '../../venue/garage/at-start';
import { journalEntry, recordedEntry } from '../../journal';
import { daySetup } from '../../venue/settings';
import { daySummary, dayView } from '../day-view';
import { date, dateAndId, endpoint, type Endpoint, raw, version } from '../endpoint';
import { page } from '../flags';
import { storedSetup } from '../setup';

/** Event days, their journals, and what is counted from them. */
export const daysEndpoints = {
  listDays: endpoint({
    method: 'get',
    path: '/api/days',
    access: 'phone',
    summary: 'The event days',
    reply: z.object({
      days: z.array(daySummary),
      /** When a guest was erased last: days that a device has kept from before are forgotten there. */
      erasedAt: z.iso.datetime().nullable(),
    }),
  }),
  addDay: endpoint({
    method: 'post',
    path: '/api/days',
    access: 'manager',
    summary: 'Add an event day, of real guests or to practise',
    body: z.strictObject({ ...date.shape, practice: z.boolean().optional() }),
    reply: daySummary,
    status: 201,
    refusals: [409],
  }),
  readDaySetup: endpoint({
    method: 'get',
    path: '/api/days/:date/setup',
    access: 'phone',
    summary: 'What a day has of its own, and the hours that it would have without',
    params: date,
    reply: storedSetup,
    refusals: [404],
  }),
  changeDaySetup: endpoint({
    method: 'put',
    path: '/api/days/:date/setup',
    access: 'manager',
    summary: 'Change what a day has of its own; what is left out is as the venue has it',
    params: date,
    body: z.strictObject({ version, fields: daySetup }),
    reply: storedSetup,
    refusals: [404, 409],
  }),
  copyDaySetup: endpoint({
    method: 'post',
    path: '/api/days/:date/setup/copy',
    access: 'manager',
    summary: 'Copy what a day has of its own, and its shifts, to other days; those that are not there are added',
    params: date,
    body: z.strictObject({ to: z.array(z.iso.date('expected a date, YYYY-MM-DD')).min(1).max(100) }),
    reply: z.object({ days: z.number().int() }),
    refusals: [404],
  }),
  openCalendarDay: endpoint({
    method: 'put',
    path: '/api/calendar/:date',
    access: 'manager',
    summary: 'Put a single day into the calendar, or take it out; one with bookings or a journal stays',
    params: date,
    body: z.strictObject({ open: z.boolean() }),
    reply: z.object({ date: z.iso.date(), open: z.boolean() }),
    refusals: [409],
  }),
  readDay: endpoint({
    method: 'get',
    path: '/api/days/:date',
    access: 'phone',
    summary: 'Everything a screen needs to show a day',
    params: date,
    reply: dayView,
    refusals: [404],
  }),
  appendEntry: endpoint({
    method: 'post',
    path: '/api/days/:date/journal',
    access: 'phoneLeaving',
    summary: 'Append an entry to the journal; an entry sent twice is recorded once, an impossible one refused',
    params: date,
    body: journalEntry,
    reply: recordedEntry,
    status: 201,
    refusals: [404, 409],
  }),
  streamDay: endpoint({
    method: 'get',
    path: '/api/days/:date/stream',
    access: 'phone',
    summary:
      'What happens, as server-sent events: `entry` (its number is the id; resumed with Last-Event-ID), `changed`, `flag` (of the day that is running, whatever day is asked for), `planning`, `positions`, `heartbeat`',
    params: date,
    query: z.object({ page: page.optional() }),
    reply: raw('text/event-stream'),
    refusals: [404, 429],
  }),
  readTrack: endpoint({
    method: 'get',
    path: '/api/days/:date/drives/:id/track',
    access: 'phone',
    summary: 'Where the car of a drive was, as its tracker told',
    params: dateAndId,
    reply: z.object({ points: z.array(z.object({ atS: z.number(), atM: z.number(), leftM: z.number().optional() })) }),
    refusals: [404],
  }),
  readGarage: endpoint({
    method: 'get',
    path: '/api/days/:date/garage',
    access: 'phone',
    summary: 'What each car and each instructor did on each day up to this one, counted from the journals',
    params: date,
    reply: z.object({ days: z.array(carDay), crew: z.array(crewDay) }),
    refusals: [404],
  }),
  readClose: endpoint({
    method: 'get',
    path: '/api/days/:date/close',
    access: 'manager',
    summary: 'The day in figures, beside the same weekday a week before',
    params: date,
    reply: z.object({ today: dayClose, before: dayClose.nullable() }),
    refusals: [404],
  }),
} as const satisfies Record<string, Endpoint>;
