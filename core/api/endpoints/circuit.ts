import * as z from 'zod';
import { circuitFile } from '../../track/circuit/at-start';
import { circuitToRead, readCircuitReply, setOutSheet, standingCone, storedCircuit } from '../circuit';
import { endpoint, type Endpoint, raw, versionOrNone } from '../endpoint';

/** The circuit, its files, and what is set out on it. */
export const circuitEndpoints = {
  readCircuit: endpoint({
    method: 'get',
    path: '/api/circuit',
    access: 'phone',
    summary: "The venue's circuit, if it has one",
    reply: storedCircuit,
  }),
  changeCircuit: endpoint({
    method: 'put',
    path: '/api/circuit',
    access: 'manager',
    summary: 'Change the circuit; one that nobody can drive is refused with the places of its faults',
    body: z.strictObject({ version: versionOrNone, circuit: circuitFile }),
    reply: storedCircuit,
    refusals: [409, 422],
  }),
  previewCircuit: endpoint({
    method: 'post',
    path: '/api/circuit/preview',
    access: 'phone',
    summary: 'What a circuit file (GeoJSON, CSV, GPX) holds and what had to be assumed; nothing is saved',
    body: circuitToRead,
    reply: readCircuitReply,
    refusals: [422],
  }),
  readCones: endpoint({
    method: 'get',
    path: '/api/circuit/cones',
    access: 'phone',
    summary: 'Cones and boards as they stand when it is dry, for a map; computed when they are first asked for',
    reply: z.object({ cones: z.array(standingCone) }),
    refusals: [422, 503],
  }),
  circuitCsv: endpoint({
    method: 'get',
    path: '/api/circuit.csv',
    access: 'phone',
    summary: 'The circuit as CSV, metres',
    reply: raw('text/csv'),
    refusals: [404],
  }),
  circuitGeoJson: endpoint({
    method: 'get',
    path: '/api/circuit.geojson',
    access: 'phone',
    summary: 'The circuit as GeoJSON, degrees',
    reply: raw('application/geo+json'),
    refusals: [404, 409],
  }),
  setOutCsv: endpoint({
    method: 'post',
    path: '/api/circuit/set-out.csv',
    access: 'phone',
    summary: 'A set-out sheet as CSV',
    body: setOutSheet,
    reply: raw('text/csv'),
    refusals: [404],
  }),
  setOutGeoJson: endpoint({
    method: 'post',
    path: '/api/circuit/set-out.geojson',
    access: 'phone',
    summary: 'A set-out sheet as GeoJSON points',
    body: setOutSheet,
    reply: raw('application/geo+json'),
    refusals: [404, 409],
  }),
} as const satisfies Record<string, Endpoint>;
