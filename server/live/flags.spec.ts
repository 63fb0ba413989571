import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout } from 'node:timers/promises';
import type { RunningFlag } from '@core/api';
import { Hub } from './hub';
import { DATE, testServer, type TestServer } from '../testing/test-server';

const OTHER = '2027-05-23';

describe('The flag of the running day', () => {
  let server: TestServer;
  let told: RunningFlag[];
  beforeEach(() => {
    told = [];
    spyOn(Hub.prototype, 'flag').and.callFake((flag) => void told.push(flag));
    server = testServer();
    server.store.days.add(OTHER, '2027-05-22T06:00:00.000Z');
  });
  afterEach(() => server.close());
  const call = (more: Record<string, unknown> = {}, date = DATE) =>
    server.http
      .post(`/api/days/${date}/journal`)
      .send({ id: 'flag-0001', kind: 'flagCalled', flag: 'stop', at: '12:00', by: 'Petra', ...more })
      .expect(201);

  it('of the day that is running goes to all, with how late it came where a device was away', async () => {
    await call();
    expect(told.map(({ flag, by, lateS }) => [flag, by, lateS])).toEqual([['stop', 'Petra', 0]]);
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({ id: 'clear-001', kind: 'circuitCleared', at: '12:00', by: 'Petra' });
    await call({ id: 'flag-0002', flag: 'green' });
    server.clock.adjust({ secondsOfDay: 12 * 3600 + 300 });
    await call({ id: 'flag-0003', at: '12:01', offline: true, agoMs: 240_000 });
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ flag: 'stop', id: 'flag-0003', lateS: 240 }));
    const many = told.length;
    await call({ id: 'flag-0004', at: '00:00' }, OTHER);
    expect(told.length).toBe(many);
  });

  it('is what every stream begins with, of whatever day', async () => {
    await call();
    const http = createServer(server.app).listen(0, '127.0.0.1');
    await once(http, 'listening');
    const { port } = http.address() as AddressInfo;
    const abort = new AbortController();
    const { body } = await fetch(`http://127.0.0.1:${port}/api/days/${OTHER}/stream`, { signal: abort.signal });
    const reader = body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    while (!text.includes('event: flag\n')) text += (await reader.read()).value;
    expect(text).toContain('"flag":"stop"');
    abort.abort();
    http.closeAllConnections();
    http.close();
  });

  it('is told to its caller with the screens that have shown it, and to no later one', async () => {
    await call();
    const got = (id: string, who: string) =>
      server.http.post('/api/flags/got').send({ id, who, screen: '/board' }).expect(200);
    await got('flag-0001', 'Maren');
    await got('flag-0001', 'Maren');
    await got('flag-0001', 'Gate');
    await got('flag-0000', 'Nobody');
    await setTimeout(400);
    expect(told.at(-1)!.got.map(({ who }) => who)).toEqual(['Maren', 'Gate']);
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({ id: 'clear-001', kind: 'circuitCleared', at: '12:00', by: 'Petra' });
    await call({ id: 'flag-0002', flag: 'green' });
    expect(told.at(-1)!.got).toEqual([]);
  });
});
