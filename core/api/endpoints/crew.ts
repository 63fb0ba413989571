import * as z from 'zod';
import { instructorFields } from '../../crew/skills';
import { rosterEntry } from '../../crew/roster';
import { storedInstructor } from '../setup';
import { rosterPreview, storedRosterEntry } from '../crew';
import { date, endpoint, type Endpoint, id, raw, version, versionOrNone } from '../endpoint';
import { listPreview, listTaken } from '../import';

/** Instructors and their roster. */
export const crewEndpoints = {
  listInstructors: endpoint({
    method: 'get',
    path: '/api/instructors',
    summary: 'The crew',
    reply: z.object({ instructors: z.array(storedInstructor) }),
  }),
  addInstructor: endpoint({
    method: 'post',
    path: '/api/instructors',
    summary: 'Add an instructor',
    body: instructorFields,
    reply: storedInstructor,
    status: 201,
    refusals: [409],
  }),
  changeInstructor: endpoint({
    method: 'put',
    path: '/api/instructors/:id',
    summary: 'Change an instructor',
    params: id,
    body: z.strictObject({ version, fields: instructorFields }),
    reply: storedInstructor,
    refusals: [404, 409],
  }),
  readRoster: endpoint({
    method: 'get',
    path: '/api/roster/:date',
    summary: 'Shifts and absences of the six weeks from a day on; reasons are for the manager alone',
    params: date,
    reply: z.object({ entries: z.array(storedRosterEntry) }),
  }),
  putRosterEntry: endpoint({
    method: 'put',
    path: '/api/roster/entries/:id',
    summary: 'Enter a shift or an absence (version 0), or change one; the same again changes nothing',
    params: z.strictObject({ id: rosterEntry.shape.id }),
    body: z.strictObject({ version: versionOrNone, fields: rosterEntry }),
    reply: storedRosterEntry,
    refusals: [404, 409],
  }),
  removeRosterEntry: endpoint({
    method: 'delete',
    path: '/api/roster/entries/:id',
    summary: 'Take a shift or an absence out of the roster',
    params: z.strictObject({ id: rosterEntry.shape.id }),
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
  previewRoster: endpoint({
    method: 'post',
    path: '/api/roster/preview',
    summary: 'What taking in a calendar file (iCalendar) would do',
    body: z.strictObject({ ical: z.string() }),
    reply: rosterPreview,
    refusals: [422],
  }),
  importRoster: endpoint({
    method: 'post',
    path: '/api/roster/import',
    summary: 'Take in what is good of a calendar file; events without fault, all or none',
    body: z.strictObject({ ical: z.string() }),
    reply: rosterPreview,
    refusals: [422],
  }),
  rosterCalendar: endpoint({
    method: 'get',
    path: '/api/roster.ics',
    summary: 'The roster as a calendar',
    reply: raw('text/calendar'),
    refusals: [404],
  }),
  instructorCalendar: endpoint({
    method: 'get',
    path: '/api/instructors/:id/roster.ics',
    summary: 'The roster of one instructor as a calendar',
    params: id,
    reply: raw('text/calendar'),
    refusals: [404],
  }),
  exportCrew: endpoint({
    method: 'get',
    path: '/api/instructors.csv',
    summary: 'A CSV list of the crew, which comes in again as it went out',
    reply: raw('text/csv'),
  }),
  previewCrew: endpoint({
    method: 'post',
    path: '/api/instructors/preview',
    summary: 'What taking in a CSV list of the crew would do',
    body: z.strictObject({ csv: z.string() }),
    reply: listPreview,
    refusals: [422],
  }),
  importCrew: endpoint({
    method: 'post',
    path: '/api/instructors/import',
    summary: 'Take in the good rows of a CSV list of the crew',
    body: z.strictObject({ csv: z.string() }),
    reply: listTaken,
    refusals: [409, 422],
  }),
} as const satisfies Record<string, Endpoint>;
