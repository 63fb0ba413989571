import * as z from 'zod';
import { endpoint, type Endpoint, id, raw } from '../endpoint';
import { joinPhone, networkView, phone, phoneChange, phoneCode, phoneReport } from '../phones';

/** Phones and tablets of the venue's people, and how they reach the server. */
export const phonesEndpoints = {
  readNetwork: endpoint({
    method: 'get',
    path: '/api/network',
    access: 'phone',
    summary: 'On which addresses the server is reached, and by whom',
    reply: networkView,
  }),
  readAuthority: endpoint({
    method: 'get',
    path: '/api/network/authority.crt',
    access: 'anyone',
    summary: "The certificate of the server's own authority, for phones to trust",
    reply: raw('application/x-x509-ca-cert'),
    refusals: [404],
  }),
  listPhones: endpoint({
    method: 'get',
    path: '/api/phones',
    access: 'manager',
    summary: 'Phones and tablets that were added, whose they are and when each was heard last',
    reply: z.object({ phones: z.array(phone), version: z.string() }),
  }),
  makePhoneCode: endpoint({
    method: 'post',
    path: '/api/phones/code',
    access: 'manager',
    summary: 'A code by which one phone is let in, for a quarter of an hour',
    reply: phoneCode,
    status: 201,
  }),
  joinPhone: endpoint({
    method: 'post',
    path: '/api/phones/join',
    access: 'anyone',
    limit: { wrongCodes: 20 },
    summary: 'Let this phone in by a code',
    body: joinPhone,
    reply: z.object({ phone }),
    refusals: [403, 429],
  }),
  reportPhone: endpoint({
    method: 'post',
    path: '/api/phones/report',
    access: 'phone',
    summary: 'What this phone shows and keeps; the reply names who is to have it from now on, if somebody else',
    body: phoneReport,
    reply: z.object({
      /** Nothing where this browser was never added: there is nothing to report then. */
      name: z.string().nullable(),
      handedTo: z.string().nullable(),
    }),
  }),
  leavePhones: endpoint({
    method: 'post',
    path: '/api/phones/left',
    access: 'phoneLeaving',
    summary: 'This phone, which was put out, has handed over what waited on it and holds nothing more',
    reply: z.object({ left: z.literal(true) }),
  }),
  changePhone: endpoint({
    method: 'put',
    path: '/api/phones/:id',
    access: 'manager',
    summary: 'Rename a phone, or hand it to somebody else',
    params: id,
    body: phoneChange,
    reply: z.object({ phone }),
    refusals: [404],
  }),
  removePhone: endpoint({
    method: 'delete',
    path: '/api/phones/:id',
    access: 'manager',
    summary: 'Put a phone out: it reads and changes nothing more',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
} as const satisfies Record<string, Endpoint>;
