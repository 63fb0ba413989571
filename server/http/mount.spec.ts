import express from 'express';
import supertest from 'supertest';
import * as z from 'zod';
import { raw } from '@core/api/endpoint';
import type { Endpoint } from '@core/api';
import { timeOfDay } from '@core/values';
import { Refusal } from '../base/refusal';
import { EncodedReply, mountAll } from './mount';

const things = {
  readThing: {
    method: 'get',
    path: '/things/:id',
    access: 'anyone',
    summary: 'A thing',
    params: z.strictObject({ id: z.string().max(4) }),
    query: z.object({ language: z.string().max(2).optional() }),
    reply: z.object({ id: z.string(), at: timeOfDay, language: z.string().nullable() }),
  },
  addThing: {
    method: 'post',
    path: '/things',
    access: 'anyone',
    summary: 'Add a thing',
    body: z.strictObject({ name: z.string().min(1), laps: z.number().int() }),
    reply: z.object({ name: z.string() }),
    status: 201,
  },
  readQuickly: {
    method: 'get',
    path: '/quick',
    access: 'phone',
    summary: 'Encoded already',
    reply: z.object({ a: z.number() }),
  },
  putBytes: {
    method: 'put',
    path: '/bytes',
    access: 'anyone',
    summary: 'Bytes',
    body: raw('image/*'),
    mostBody: '1kb',
    reply: z.object({ length: z.number() }),
  },
  readFile: { method: 'get', path: '/file', access: 'anyone', summary: 'A file', reply: raw('text/csv') },
} as const satisfies Record<string, Endpoint>;

function served(closed = false) {
  const before: string[] = [];
  const app = express();
  mountAll(
    app,
    things,
    {
      readThing: ({ params: { id }, query: { language } }) => ({ id, at: 9 * 3600, language: language ?? null }),
      addThing: {
        before: () => void before.push('asked'),
        handle: ({ body: { name } }) => Promise.resolve({ name }),
      },
      readQuickly: () => new EncodedReply('{"a":1}'),
      putBytes: ({ body }) => ({ length: body.length }),
      readFile: ({ response }) => void response.type('text/csv').send('a,b'),
    },
    (access) => {
      if (access !== 'anyone' && closed) throw new Refusal(403, 'Closed.');
    },
  );
  app.use(((error: unknown, _request, response, _next) => {
    if (error instanceof Refusal) response.status(error.problem.status).json(error.problem);
    else response.status((error as { status?: number }).status ?? 500).end();
  }) as express.ErrorRequestHandler);
  return { http: supertest(app), before };
}

describe('An endpoint that is mounted', () => {
  it('judges who asks before it reads anything of the request, and refuses what nothing answers as well', async () => {
    const { http } = served(true);
    await http.put('/bytes').set('content-type', 'image/png').send(Buffer.alloc(2000)).expect(413);
    const asked = await Promise.all(['/quick', '/QUICK/', '/api/nothing'].map((path) => http.get(path)));
    expect(asked.map(({ status }) => status)).toEqual([403, 403, 403]);
  });

  it('gets its parameters and what is asked besides, and its reply travels encoded', async () => {
    const { http } = served();
    const { body } = await http.get('/things/t1?language=de').expect(200);
    expect(body).toEqual({ id: 't1', at: '09:00', language: 'de' });
    expect((await http.get('/things/t1').expect(200)).body.language).toBeNull();
  });

  it('refuses a faulty address or body with each place that is wrong, as a fact and in words', async () => {
    const { http } = served();
    const long = (await http.get('/things/too-long').expect(400)).body;
    expect(long.facts[0]).toEqual(jasmine.objectContaining({ code: 'faulty' }));
    expect(long.facts[0].values.part).toBe('address');
    await http.get('/things/t1?language=deutsch').expect(400);
    const { body } = await http.post('/things').send({ name: '', laps: 1.5, more: true }).expect(400);
    expect(body.faults.length).toBe(3);
    expect(body.detail).toMatch(/^The request is faulty: .*, and 2 more\.$/);
  });

  it('refuses characters that no text has', async () => {
    const { http } = served();
    for (const name of ['a\0b', 'a\ud800b']) {
      const { body } = await http
        .post('/things')
        .set('content-type', 'application/json')
        .send(JSON.stringify({ name, laps: 2 }))
        .expect(400);
      expect(body.detail).toBe('The request is faulty: name: holds a character that no text has.');
    }
    await http.post('/things').send({ name: 'Zoë 😀', laps: 2 }).expect(201);
  });

  it('answers with the status of the contract, also when it takes a while, after what stands before it', async () => {
    const { http, before } = served();
    const { body } = await http.post('/things').send({ name: 'cone', laps: 2 }).expect(201);
    expect([body, before]).toEqual([{ name: 'cone' }, ['asked']]);
    expect((await http.get('/quick').expect(200)).body).toEqual({ a: 1 });
  });

  it('takes bytes as they come, up to what the contract allows, and sends a file as the handler writes it', async () => {
    const { http } = served();
    const sent = await http
      .put('/bytes')
      .set('content-type', 'image/png')
      .send(Buffer.from([1, 2, 3]))
      .expect(200);
    expect(sent.body).toEqual({ length: 3 });
    await http.put('/bytes').set('content-type', 'image/png').send(Buffer.alloc(2000)).expect(413);
    const file = await http.get('/file').expect(200);
    expect([file.type, file.text]).toEqual(['text/csv', 'a,b']);
  });
});
