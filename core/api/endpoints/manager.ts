import * as z from 'zod';
import { teachingDrive } from '../../people/coaching/at-start';
import { managerCode, managerAccess, pairingReason } from '../crew';
import { dateAndId, endpoint, type Endpoint, id } from '../endpoint';

/** What is the manager's alone, behind a code. */
export const managerEndpoints = {
  readManager: endpoint({
    method: 'get',
    path: '/api/manager',
    access: 'phone',
    summary: 'Whether the manager has a code and this browser is let in',
    reply: managerAccess,
  }),
  setManagerCode: endpoint({
    method: 'put',
    path: '/api/manager/code',
    access: 'phone',
    summary: "Set the manager's code: the first one on the server's own machine, then by the manager only",
    body: managerCode,
    reply: managerAccess,
    refusals: [403],
  }),
  openManager: endpoint({
    method: 'post',
    path: '/api/manager/open',
    access: 'phone',
    limit: { wrongCodes: 10 },
    summary: 'Let this browser in by the code, for twelve hours',
    body: managerCode,
    reply: managerAccess,
    refusals: [403, 429],
  }),
  closeManager: endpoint({
    method: 'post',
    path: '/api/manager/close',
    access: 'phone',
    summary: 'Let this browser out again',
    reply: managerAccess,
  }),
  readPairings: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/pairings',
    access: 'managerAlone',
    summary: 'Why a guest should have an instructor, or should not (manager only)',
    params: dateAndId,
    reply: z.object({ reasons: z.array(pairingReason) }),
    refusals: [403, 404],
  }),
  changePairings: endpoint({
    method: 'put',
    path: '/api/days/:date/guests/:id/pairings',
    access: 'managerAlone',
    summary: 'Write down why (manager only); what is not in the list is taken away',
    params: dateAndId,
    body: z.strictObject({ reasons: z.array(pairingReason).max(20) }),
    reply: z.object({ reasons: z.array(pairingReason) }),
    refusals: [403, 404],
  }),
  readTeaching: endpoint({
    method: 'get',
    path: '/api/instructors/:id/teaching',
    access: 'managerAlone',
    summary: 'What the guests of an instructor gained, beside the whole crew (manager only)',
    params: id,
    reply: z.object({ own: z.array(teachingDrive), crew: z.array(teachingDrive.omit({ faults: true })) }),
    refusals: [403, 404],
  }),
} as const satisfies Record<string, Endpoint>;
