import * as z from 'zod';
import { circuitFile } from '../../circuit/circuit-file';
import { showFields } from '../../classroom/show';
import { storedVenue, venueFields } from '../booking';
import { circuitToRead, readCircuitReply, storedCircuit, storedShow } from '../circuit';
import { clock } from '../day-view';
import { endpoint, type Endpoint, version, versionOrNone } from '../endpoint';

/** What a venue has once: its rules, circuit and show, and the clock of the day. */
export const venueEndpoints = {
  readVenue: endpoint({ method: 'get', path: '/api/venue', summary: 'The venue and its rules', reply: storedVenue }),
  changeVenue: endpoint({
    method: 'put',
    path: '/api/venue',
    summary: 'Change the venue or its rules',
    body: z.strictObject({ version, fields: venueFields }),
    reply: storedVenue,
    refusals: [409],
  }),
  readCircuit: endpoint({
    method: 'get',
    path: '/api/circuit',
    summary: "The venue's circuit, if it has one",
    reply: storedCircuit,
  }),
  changeCircuit: endpoint({
    method: 'put',
    path: '/api/circuit',
    summary: 'Change the circuit; one that nobody can drive is refused with the places of its faults',
    body: z.strictObject({ version: versionOrNone, circuit: circuitFile }),
    reply: storedCircuit,
    refusals: [409, 422],
  }),
  previewCircuit: endpoint({
    method: 'post',
    path: '/api/circuit/preview',
    summary: 'What a circuit file (GeoJSON, CSV, GPX) holds and what had to be assumed; nothing is saved',
    body: circuitToRead,
    reply: readCircuitReply,
    refusals: [422],
  }),
  readShow: endpoint({ method: 'get', path: '/api/show', summary: 'The classroom show', reply: storedShow }),
  changeShow: endpoint({
    method: 'put',
    path: '/api/show',
    summary: 'Change order and words of the show, or its questions',
    body: z.strictObject({ version: versionOrNone, fields: showFields }),
    reply: storedShow,
    refusals: [409],
  }),
  readClock: endpoint({ method: 'get', path: '/api/clock', summary: "The venue's clock", reply: clock }),
  adjustClock: endpoint({
    method: 'post',
    path: '/api/clock',
    summary: 'Pause, speed up or set the clock (demo only)',
    body: z.strictObject({
      rate: z.number().min(0).max(60).optional(),
      date: z.iso.date().optional(),
      secondsOfDay: z.number().min(0).max(86_399).optional(),
    }),
    reply: clock,
    refusals: [403],
  }),
  resetDemo: endpoint({
    method: 'post',
    path: '/api/demo/reset',
    summary: 'Put the demo back to its beginning (demo only)',
    reply: clock,
    refusals: [403],
  }),
} as const satisfies Record<string, Endpoint>;
