import * as z from 'zod';
import { groupFields } from '../../programmes';
import { date, dateAndId, endpoint, type Endpoint, version } from '../endpoint';
import { storedGroup } from '../setup';

/** Guests who go out together on a day. */
export const groupsEndpoints = {
  addGroup: endpoint({
    method: 'post',
    path: '/api/days/:date/groups',
    access: 'phone',
    summary: 'Add a group to a day',
    params: date,
    body: groupFields,
    reply: storedGroup,
    status: 201,
    refusals: [404, 409],
  }),
  changeGroup: endpoint({
    method: 'put',
    path: '/api/days/:date/groups/:id',
    access: 'phone',
    summary: 'Change a group; a stale version is refused and both are shown',
    params: dateAndId,
    body: z.strictObject({ version, fields: groupFields }),
    reply: storedGroup,
    refusals: [404, 409],
  }),
  removeGroup: endpoint({
    method: 'post',
    path: '/api/days/:date/groups/:id/remove',
    access: 'phone',
    summary: 'Take a group off the day; refused once something has happened in it',
    params: dateAndId,
    body: z.strictObject({ version }),
    reply: z.object({ removed: z.string() }),
    refusals: [404, 409],
  }),
} as const satisfies Record<string, Endpoint>;
