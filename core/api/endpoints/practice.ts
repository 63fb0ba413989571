import * as z from 'zod';
import { endpoint, type Endpoint } from '../endpoint';
import { crewPost, crewSeed, crewStation, practiceStatus } from '../practice';

/** The simulated crew that plays practice days, and the demo. */
export const practiceEndpoints = {
  readPractice: endpoint({
    method: 'get',
    path: '/api/practice',
    access: 'phone',
    summary: 'What the simulated crew plays, and what people have taken over',
    reply: practiceStatus,
  }),
  crewIsThere: endpoint({
    method: 'post',
    path: '/api/practice/there',
    access: 'phone',
    summary: 'The simulated crew says that it is there, every few seconds',
    reply: practiceStatus,
  }),
  switchStation: endpoint({
    method: 'put',
    path: '/api/practice/stations/:station',
    access: 'phone',
    summary: "Let the crew play a station, or not; switched on, it is nobody else's",
    params: z.strictObject({ station: crewStation }),
    body: z.strictObject({ on: z.boolean() }),
    reply: practiceStatus,
  }),
  giveBack: endpoint({
    method: 'post',
    path: '/api/practice/given-back',
    access: 'phone',
    summary: 'Give a post that was taken over back to the crew',
    body: crewPost,
    reply: practiceStatus,
  }),
  seedCrew: endpoint({
    method: 'put',
    path: '/api/practice/seed',
    access: 'phone',
    summary: 'Another chance from now on',
    body: z.strictObject({ seed: crewSeed }),
    reply: practiceStatus,
  }),
} as const satisfies Record<string, Endpoint>;
